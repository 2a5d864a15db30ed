export { type Spring, type Stiffness, sidewaysSpring, stiffnessOf } from './spring'
