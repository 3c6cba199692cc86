/** The season of an invented shop: its machines, and a year of calls that were played on virtual appliances. */
export { LAST_DAY } from './calendar';
export { headLine, Season } from './season';
