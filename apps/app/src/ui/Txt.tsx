import type { ReactNode } from 'react'
import { Text, type TextProps } from 'react-native'

const SIZES = {
  s: 'text-[15px] leading-[21px]',
  m: 'text-[17px] leading-[24px]',
  l: 'text-[20px] leading-[27px]',
  xl: 'text-[26px] leading-[32px]',
  xxl: 'text-[40px] leading-[46px]',
  huge: 'text-[64px] leading-[70px]',
  /** Read from the saw, at arm's length. */
  saw: 'text-[120px] leading-[128px]',
} as const

const TONES = {
  ink: 'text-ink',
  soft: 'text-soft',
  patina: 'text-patina',
  'on-patina': 'text-on-patina',
  amber: 'text-amber',
  oxide: 'text-oxide',
  hot: 'text-hot',
  cold: 'text-cold',
} as const
export type Tone = keyof typeof TONES

interface Props extends TextProps {
  size?: keyof typeof SIZES
  tone?: Tone
  bold?: boolean
  /** Heading level for screen readers. */
  heading?: 1 | 2 | 3
  className?: string
  children?: ReactNode
}

/** All text goes through here: the typeface, the sizes, the inks. */
export function Txt({ size = 'm', tone = 'ink', bold = false, heading, className = '', ...rest }: Props) {
  const level = heading ? { role: 'heading' as const, 'aria-level': heading } : {}
  return (
    <Text
      {...level}
      {...rest}
      className={`${SIZES[size]} ${TONES[tone]} ${bold ? 'font-strong' : 'font-sans'} ${className}`}
      style={[{ fontVariant: ['tabular-nums'] }, rest.style]}
    />
  )
}
