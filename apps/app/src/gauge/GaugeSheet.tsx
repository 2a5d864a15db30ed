import type { ParsedLength } from '@diarmos/core/units'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { SheetModal } from '../ui/SheetModal'
import { useSolved } from '../workers/solver'
import { CardCalibration } from './CardCalibration'
import { Jaw } from './Jaw'
import { useScale } from './scale'

interface Props {
  title: string
  onClose: () => void
  onEnter: (length: ParsedLength) => void
}

/** What the jaw reads, as a length that was entered. */
export function readOff(mm: number, pxPerMm: number): ParsedLength {
  return { ok: true, mm, unit: 'mm', resolutionMm: Math.max(0.1, 1 / pxPerMm), text: `${mm.toFixed(1)} mm` }
}

/** Reads a width off the screen, where one is asked for; calibrates first where that was not done. */
export function GaugeSheet({ title, onClose, onEnter }: Props) {
  const scale = useScale()
  const [mm, setMm] = useState(22.2)
  const made = useSolved('diameters', {})
  return (
    <SheetModal title={scale === null ? 'How large is this screen?' : title} onClose={onClose}>
      {scale === null ? (
        <CardCalibration />
      ) : (
        <>
          <Jaw mm={mm} pxPerMm={scale} onChange={setMm} made={made.answer ?? []} />
          <Button
            kind="primary"
            className="mt-3"
            label="Both edges meet the lines"
            onPress={() => onEnter(readOff(mm, scale))}
          />
        </>
      )}
    </SheetModal>
  )
}
