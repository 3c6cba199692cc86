/** Parts whose repair is not a heating technician’s, by their id in the profiles, and whose it is (common practice, no source). */
export const NOT_OURS: Readonly<Record<string, string>> = {
  supply: 'an electrician, or whoever supplies the power',
  'gas-supply': 'the gas supplier: meter, regulator and line',
  chimney: 'a chimney sweep or mason',
  'heat-exchanger': 'the owner and the maker: shut off, a new exchanger or appliance is their decision',
  refrigerant: 'a licensed refrigeration technician',
  tank: 'whoever replaces the tank or fills it',
};
