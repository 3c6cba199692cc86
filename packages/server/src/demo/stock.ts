/** A part of the invented shop: where it goes as `family part`, and how many lie on the shelf and in the van. */
interface DemoPart {
  readonly title: string;
  readonly number: string;
  readonly price: number;
  /** Litres. */
  readonly room: number;
  readonly fits: readonly string[];
  readonly shelf: number;
  readonly van: number;
  readonly least: number;
}

const part = (
  title: string,
  number: string,
  price: number,
  room: number,
  [shelf, van, least]: readonly [number, number, number],
  ...fits: string[]
): DemoPart => ({ title, number, price, room, fits, shelf, van, least });

const BOILERS = ['hydronic-boiler', 'steam-standing-pilot', 'steam-intermittent-pilot'];
const FURNACES = ['furnace-condensing', 'furnace-standing-pilot', 'furnace-valve-control'];
const of = (families: readonly string[], id: string): string[] => families.map((f) => `${f} ${id}`);

/** Makers and numbers are invented. */
export const STOCK: readonly DemoPart[] = [
  part(
    'Thermocouple, 24 in',
    'BF-TC24',
    12,
    0.2,
    [2, 3, 4],
    ...of(['furnace-standing-pilot', 'steam-standing-pilot'], 'thermocouple'),
  ),
  part(
    'Thermocouple, 36 in',
    'BF-TC36',
    14,
    0.2,
    [3, 0, 0],
    ...of(['furnace-standing-pilot', 'steam-standing-pilot'], 'thermocouple'),
  ),
  part('Igniter, carbide', 'LV-IG1', 28, 0.5, [2, 1, 5], ...of(['furnace-condensing', 'pool-heater'], 'igniter')),
  part('Igniter, nitride', 'LV-IG3', 41, 0.5, [3, 0, 0], ...of(['furnace-condensing', 'pool-heater'], 'igniter')),
  part('Igniter, valve control, 24 V', 'MV-IG24', 36, 0.4, [2, 0, 1], 'furnace-valve-control igniter'),
  part('Igniter, dryer, 120 V', 'LV-IG2', 28, 0.4, [2, 1, 2], 'dryer-burner igniter'),
  part(
    'Coil set, dryer',
    'LV-CS',
    39,
    0.6,
    [0, 0, 1],
    ...['hold-coil', 'assist-coil', 'second-coil'].map((c) => `dryer-burner ${c}`),
  ),
  part(
    'Flame rod',
    'MV-FR',
    24,
    0.3,
    [4, 1, 2],
    ...of(['furnace-condensing', 'furnace-valve-control', 'pool-heater'], 'flame-rod'),
    ...of(['hydronic-boiler', 'steam-intermittent-pilot'], 'flame-rod'),
  ),
  part('Thermopile', 'TG-TP', 46, 0.3, [2, 0, 1], 'storage-water-heater thermopile'),
  part('Limit, furnace', 'FN-L200', 19, 0.3, [4, 2, 2], ...of(FURNACES, 'limit')),
  part(
    'Roll-out switch',
    'FN-RO',
    15,
    0.1,
    [4, 1, 2],
    ...of([...FURNACES, 'steam-standing-pilot', 'steam-intermittent-pilot', 'hydronic-boiler'], 'rollout'),
  ),
  part(
    'Pressure switch, air',
    'FN-PS',
    33,
    0.6,
    [3, 1, 2],
    ...of(['furnace-condensing', 'furnace-valve-control'], 'pressure-switch'),
  ),
  part(
    'Hose and tee',
    'FN-HT',
    4,
    0.1,
    [10, 6, 6],
    ...of(['furnace-condensing', 'furnace-valve-control'], 'pressure-hose'),
  ),
  part(
    'Transformer, 40 VA',
    'EL-T40',
    27,
    1,
    [4, 1, 2],
    ...of([...FURNACES, ...BOILERS, 'pool-heater', 'pool-heat-pump'], 'transformer'),
  ),
  part('Thermostat, 24 V', 'EL-TH', 38, 0.8, [3, 1, 2], ...of([...FURNACES, ...BOILERS], 'thermostat')),
  part('Capacitor, 5 to 10 µF', 'EL-C10', 16, 0.4, [4, 2, 2], ...of([...FURNACES, 'pool-heat-pump'], 'capacitor')),
  part('Gas valve, furnace', 'MV-GV', 148, 2.5, [1, 0, 1], 'furnace-condensing gas-valve'),
  part('Valve with control', 'MV-VC', 264, 3, [1, 0, 0], 'furnace-valve-control valve-control'),
  part('Inducer', 'FN-IN', 212, 9, [1, 0, 0], ...of(['furnace-condensing', 'furnace-valve-control'], 'inducer')),
  part('Control, furnace', 'FN-CB', 176, 1.5, [1, 0, 1], 'furnace-condensing board'),
  part('Low-water cut-off, probe', 'ST-LW', 154, 1.5, [1, 0, 1], ...of(BOILERS, 'lwco')),
  part(
    'Pressure limit, steam',
    'ST-PL',
    58,
    0.8,
    [1, 0, 1],
    ...of(['steam-standing-pilot', 'steam-intermittent-pilot'], 'pressure-limit'),
  ),
  part('Vent damper', 'BF-VD', 189, 7, [1, 0, 0], ...of(BOILERS, 'damper')),
  part('Zone valve', 'BF-ZH', 71, 1, [2, 0, 1], 'hydronic-boiler zone-valve'),
  part('Circulator', 'BF-CC', 118, 4, [1, 0, 1], 'hydronic-boiler circulator', 'steam-standing-pilot pump'),
  part('Aquastat', 'BF-AQ', 32, 0.6, [2, 1, 1], 'hydronic-boiler aquastat', 'hydronic-boiler high-limit'),
  part(
    'Ignition module',
    'MV-IM',
    132,
    1,
    [1, 0, 1],
    ...of(['hydronic-boiler', 'steam-intermittent-pilot', 'pool-heater'], 'module'),
  ),
  part(
    'Electrode, 12 V appliance',
    'RV-EL',
    17,
    0.2,
    [2, 0, 1],
    ...of(['mobile-furnace', 'mobile-water-heater'], 'electrode'),
  ),
  part('Sail switch', 'RV-SS', 21, 0.2, [2, 0, 1], 'mobile-furnace sail-switch'),
  part('Blower wheel and motor, 12 V', 'RV-BM', 96, 3, [1, 0, 0], 'mobile-furnace blower'),
  part('Thermal cut-off', 'RV-TC', 9, 0.1, [3, 0, 2], 'mobile-water-heater thermal-cutoff'),
  part('Water flow switch', 'PL-WS', 44, 0.8, [1, 0, 1], ...of(['pool-heater', 'pool-heat-pump'], 'water-switch')),
  part('Diverter motor', 'CB-DV', 67, 0.8, [1, 0, 1], 'combi-condensing diverter'),
  part('Electrode set', 'CB-EL', 23, 0.3, [2, 0, 1], 'combi-condensing electrode'),
  part('Belt switch, dryer', 'LV-BS', 8, 0.1, [2, 0, 1], 'dryer-burner belt-switch'),
  part('Thermal fuse, dryer', 'LV-TF', 6, 0.1, [4, 1, 2], 'dryer-burner thermal-fuse'),
];
