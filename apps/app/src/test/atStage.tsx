import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'
import { act, render, screen } from '@testing-library/react'
import { type Edit, edit, newId } from '../data/store'
import { JobPage } from '../job/JobPage'
import { openJob } from './shop'
import { dialog, one, press } from './touch'

/** Turns the job page to a stage. */
export const stage = (name: string) => press(one('tab', new RegExp(`^${name}`)))

/** Types on the measuring keypad that is open. */
export async function enter(...keys: readonly string[]): Promise<void> {
  for (const key of keys) await press(one('button', key, dialog()))
  await press(one('button', 'Enter', dialog()))
}

/**
 * A job at a copper stub that was scratched, under some conditions, with what goes in chosen.
 *
 * @returns the job's id and that of its hot line
 */
export async function withFixture(
  situation: object,
  fixture: RegExp,
): Promise<{ jobId: string; hot: string }> {
  const { jobId, hot, cold } = await openJob()
  await act(() =>
    edit(
      [hot, cold].map(
        (lineId): Edit =>
          ({
            kind: 'situation',
            id: newId(),
            patch: {
              ...PLAIN_CONDITIONS,
              oldJointSeen: true,
              jobId,
              lineId,
              waterSeen: true,
              oldJoint: 'sweat',
              ...situation,
            },
          }) as Edit,
      ),
    ),
  )
  render(<JobPage jobId={jobId} />)
  await press(one('tab', 'Touch'))
  await press(one('button', /Scratch/))
  await press(one('radio', /copper/, dialog()))
  await press(screen.getByTestId('take-finding'))
  await stage('Fixture')
  await press(one('radio', fixture))
  return { jobId, hot }
}
