import { Choice } from '../ui/Choice'

type Turn = 0 | 45 | 90

interface Props {
  readonly label: string
  readonly turn: Turn | undefined
  readonly onTurn: (patch: { turn: Turn }, label: string) => void
}

const TURNS = [
  { value: '0', label: 'no' },
  { value: '45', label: '45°' },
  { value: '90', label: '90°' },
]

/** By how much a line turns on its way. */
export function TurnChoice({ label, turn = 0, onTurn }: Props) {
  return (
    <Choice
      label={label}
      columns={3}
      value={String(turn)}
      options={TURNS}
      onChange={(chosen) =>
        onTurn({ turn: Number(chosen) as Turn }, chosen === '0' ? 'Straight on' : `Turns by ${chosen}°`)
      }
    />
  )
}
