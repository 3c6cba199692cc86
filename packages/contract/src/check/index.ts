/** Check: the validator's side of the contract, for the server and the tests. */
export { joiOf } from './joi';
