import type { ReactNode } from 'react'
import { Text, type TextProps } from 'react-native'

const SIZES = {
  s: 'text-[0.9375rem] leading-[1.3125rem]',
  m: 'text-[1.0625rem] leading-[1.5rem]',
  l: 'text-[1.25rem] leading-[1.6875rem]',
  xl: 'text-[1.625rem] leading-[2rem]',
  xxl: 'text-[2.5rem] leading-[2.875rem]',
  huge: 'text-[4rem] leading-[4.375rem]',
  /** Read from the saw, at arm's length. */
  saw: 'text-[7.5rem] leading-[8rem]',
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
