import { useWindowDimensions } from 'react-native'

/** True where list, drawing and inspector stand side by side. */
export function useWide(): boolean {
  const { width, height } = useWindowDimensions()
  return width >= 1000 && height >= 480
}

/** True where nothing may stand still beside what scrolls: a phone held sideways, or a page magnified twice. */
export function useLow(): boolean {
  return useWindowDimensions().height < 600
}

/** True where icon and word do not fit side by side in the bar of rooms. */
export function useNarrow(): boolean {
  return useWindowDimensions().width < 300
}

/** True where the screen is so low, sideways or magnified, that a drawing would leave no room for the stage. */
export function useShort(): boolean {
  return useWindowDimensions().height < 640
}
