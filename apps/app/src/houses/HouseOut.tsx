import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { useData } from '../data/store'
import { Button } from '../ui/Button'
import { saveFile } from '../ui/saveFile'
import { useHandOver } from '../ui/useHandOver'
import { askFile } from '../workers/file'
import { printSheet } from '../workers/sheet'
import { houseRows } from './houseRows'

/** A house on paper, or as a file that another shop can take in; made on the phone. */
export function HouseOut({ propertyId, name }: { propertyId: string; name: string }) {
  const shopName = useData((state) => state.session?.shop.name ?? '')
  const unit = usePreferences((state) => state.unit)
  const [hand, fault] = useHandOver('No file was made')
  const file = async () => askFile({ kind: 'make', rows: await houseRows(propertyId) })
  return (
    <View className="py-2">
      {fault}
      <Button
        label="House sheet (PDF)"
        testID="print-house"
        onPress={() =>
          hand(async () => {
            const pdf = await printSheet({ kind: 'house', file: await file(), shopName, title: name, unit })
            await saveFile('house.pdf', 'application/pdf', pdf)
          })
        }
      />
      <Button
        kind="quiet"
        label="Whole house (JSON)"
        testID="house-file"
        onPress={() =>
          hand(async () => saveFile('house.json', 'application/json', JSON.stringify(await file())))
        }
      />
    </View>
  )
}
