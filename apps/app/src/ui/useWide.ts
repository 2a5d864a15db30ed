import { useWindowDimensions } from 'react-native'

/** True where list, drawing and inspector stand side by side. */
export function useWide(): boolean {
  const { width, height } = useWindowDimensions()
  return width >= 1000 && height >= 480
}

/** True where the screen is so low, sideways or magnified, that a drawing would leave no room for the stage. */
export function useShort(): boolean {
  return useWindowDimensions().height < 640
}
