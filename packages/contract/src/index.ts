/**
 * Contract: what the server and its clients say to each other, declared once. One file for each resource; types, checks,
 * the documented JSON Schema and the client all come from here. Nothing in this face needs the validator.
 */
export {
  calls,
  callEvent,
  type CallHead,
  type CallSummary,
  entryFields,
  headFields,
  type NumberedEvent,
  type RefusedEvent,
  type Taken,
} from './calls';
export type { AnyEndpoint, Replied, Sent } from './endpoint';
export {
  LONGEST_EXERCISE,
  type NewResult,
  type NewSet,
  type NewSigning,
  practice,
  practiceFields,
  type PracticeResult,
  type PracticeStanding,
} from './practice';
export {
  type Advice,
  type BreakLine,
  type Breaks,
  type RateLine,
  rateFields,
  type Rates,
  type RateVersion,
  patterns,
  type PatternsFilter,
  type PatternsStanding,
  type SeenCase,
  type SharedBy,
  type Trends,
} from './patterns';
export { type KeptItem, stock, stockFields, type StockItem, type StockMove, type StockReason } from './stock';
export { type DayItem, days, type NewDayItem } from './day';
export { type BroughtIn, exchange, LONGEST_FILE, SHOP_FILE } from './exchange';
export { instrumentFields, instruments, type Instrument, type NewInstrument } from './instruments';
export { limitFields, limits, type Limit, type NewLimit } from './limits';
export {
  type ChangeOf,
  type Contact,
  contactFields,
  machineFields,
  machines,
  type Machine,
  type MachineChange,
  type MachineCorrection,
  type NewMachine,
  type Wires,
} from './machines';
export { AUDITED, type Audited, type Colleague, type NewAccount, people } from './people';
export { LONGEST_PHOTO, type Photo, photos, type SmallPhoto } from './photos';
export { profileFields, profiles, type ProfileSummary, type WholeProfile } from './profiles';
export { type FoundEntry, search } from './search';
export { type ListedSession, personFields, session, type Me } from './session';
export { shop, type ShopSettings, UNSAID_SETTINGS } from './shop';
export {
  type CaretakerForm,
  type DueDuty,
  type DutyOfMachine,
  type DutyRecord,
  type NewDutyRecord,
  type OpenAddress,
  upkeep,
} from './upkeep';
export { CONTRACT, contractSchema, type Contract } from './contract';
