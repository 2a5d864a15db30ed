import { JobList } from '../../job/JobList'

export default JobList
