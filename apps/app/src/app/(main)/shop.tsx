import { ShopPage } from '../../shop/ShopPage'

export default ShopPage
