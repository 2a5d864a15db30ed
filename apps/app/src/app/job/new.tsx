import { NewJob } from '../../job/NewJob'

export default NewJob
