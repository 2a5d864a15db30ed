import { Pressable, View } from 'react-native'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'
import { type Look, lookText } from './looks'

interface Props {
  readonly looks: readonly Look[]
  readonly effects: readonly { readonly id: string; readonly bits: number; readonly disagrees: boolean }[]
  readonly onWithdraw: (id: string, withdrawn: boolean) => void
  /** Asks the same again, to take this one's place. */
  readonly onCorrect?: (look: Look) => void
}

/** What a look did, in words. */
function effectText(bits: number): string {
  if (bits >= 3) return 'speaks strongly for it'
  if (bits >= 0.5) return 'speaks for it'
  if (bits <= -3) return 'speaks strongly against it'
  if (bits <= -0.5) return 'speaks against it'
  return 'changes little'
}

/** Everything seen and measured, what each did, and the way to take it back. */
export function LookList({ looks, effects, onWithdraw, onCorrect }: Props) {
  if (looks.length === 0) return null
  return (
    <View className="mt-3">
      <Txt bold size="s" tone="soft" heading={2}>
        Seen and measured
      </Txt>
      {looks.map((look) => {
        const effect = effects.find((entry) => entry.id === look.id)
        return (
          <View key={look.id} className="min-h-[52px] flex-row items-center border-b border-rule">
            <Pressable
              role="button"
              aria-label={`${lookText(look)}. Correct it`}
              disabled={!onCorrect || look.withdrawn}
              onPress={() => onCorrect?.(look)}
              className="min-h-[48px] flex-1 justify-center active:opacity-70"
            >
              <Txt className={look.withdrawn ? 'line-through' : ''}>{lookText(look)}</Txt>
              {effect && !look.withdrawn ? (
                effect.disagrees ? (
                  <Txt size="s" tone="amber" bold>
                    {look.mm === null
                      ? '△ This disagrees with the others: look again.'
                      : '△ This reading disagrees with the others: measure again.'}
                  </Txt>
                ) : (
                  <Txt size="s" tone="soft">
                    {effectText(effect.bits)}
                  </Txt>
                )
              ) : null}
            </Pressable>
            <Button
              kind="quiet"
              label={look.withdrawn ? 'Count it' : 'Withdraw'}
              onPress={() => onWithdraw(look.id, !look.withdrawn)}
            />
          </View>
        )
      })}
    </View>
  )
}
