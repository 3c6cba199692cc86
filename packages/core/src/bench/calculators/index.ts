/** Calculators: the trade's arithmetic as pure functions in SI, each with its source. */
export {
  airDensityRatio,
  airFor,
  expansion,
  expansionTank,
  heatOfAir,
  heatOfWater,
  US_HEAT_OF_AIR,
  waterDensity,
  waterFor,
} from './air-and-water';
export { airFree, excessByDioxide, excessByOxygen, METHANE, mostDioxide, PROPANE, stackLoss } from './combustion';
export {
  copperAt,
  copperWarmth,
  elementOhms,
  elementPower,
  loadedVolts,
  runningCapacitance,
  slip,
  sourceOhms,
  throughLoop,
  wireDiameter,
  wireDrop,
  wireOhms,
} from './electrical';
export { codeDerate, meteredInput, meteredShare } from './gas-input';
export { pipeFlow, pipeLoss, pressureAt, starvesFirst, supplyFrom } from './gas-supply';
export { conversionRatio, type GasAtOrifice, inputRatio, orificeFlow } from './orifice';
export { RECTIFIED } from './rectified';
export { saturationPressure, saturationTemperature } from './steam';
