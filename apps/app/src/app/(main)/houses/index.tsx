import { HouseList } from '../../../houses/HouseList'

export default HouseList
