import { router, useLocalSearchParams } from 'expo-router'
import { useCallback, useEffect, useRef, useState } from 'react'
import { afterSheets, nameNextSheet } from './useBackCloses'

/** What the address says of this sheet: `seam.2` is the sheet “seam” open on 2. */
const readOf = (name: string, said: string | undefined) =>
  said?.startsWith(`${name}.`) ? said.slice(name.length + 1) : null

/**
 * Which of a page's sheets is open, kept in the address, so that a reload and a link open it again. Used as a state that
 * is null while none is.
 *
 * @param name of this sheet on its page; no two of a page share one
 * @param values those that it can be open on; leave out where any text is one
 */
export function useSheet<Value extends string>(
  name: string,
  values?: readonly Value[],
): readonly [Value | null, (value: Value | null) => void] {
  const { sheet } = useLocalSearchParams<{ sheet?: string }>()
  const [open, setOpen] = useState<Value | null>(() => {
    const said = readOf(name, sheet) as Value | null
    if (said === null || (values && !values.includes(said))) return null
    nameNextSheet(`${name}.${said}`)
    return said
  })
  // an address that a sheet was opened from says so no longer once that is closed
  const said = readOf(name, sheet) !== null
  const latest = useRef(said)
  latest.current = said
  useEffect(() => {
    if (open === null && latest.current) afterSheets(() => router.setParams({ sheet: undefined }))
  }, [open])
  return [
    open,
    useCallback(
      (value: Value | null) => {
        nameNextSheet(value === null ? null : `${name}.${value}`)
        setOpen(value)
      },
      [name],
    ),
  ]
}
