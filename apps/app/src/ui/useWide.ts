import { useWindowDimensions } from 'react-native'

/** True where list, drawing and inspector stand side by side. */
export function useWide(): boolean {
  return useWindowDimensions().width >= 1000
}
