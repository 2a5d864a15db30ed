import { rowsOf, rowsOfJobs } from '../data/rows'
import { shelf } from '../data/state'

/** Every document of a house as it lies on this phone, by kind. */
export async function houseRows(propertyId: string) {
  const points = shelf.of('point', 'propertyId', propertyId)
  const jobs = shelf.of('job', 'propertyId', propertyId)
  const house = shelf.get('property', propertyId)
  return {
    property: rowsOf(house ? [house] : []),
    point: rowsOf(points),
    line: points.flatMap(({ id }) => rowsOf(shelf.of('line', 'pointId', id))),
    job: rowsOf(jobs),
    ...(await rowsOfJobs(jobs)),
  }
}
