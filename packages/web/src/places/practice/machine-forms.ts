/** The outline of a family in our own few lines: its jacket, what marks it out, and words beside that. Not of any product. */
export interface MachineForm {
  readonly jacket: string;
  readonly lines: string;
  readonly words: readonly { readonly x: number; readonly y: number; readonly text: string }[];
}

/** A plain cabinet. */
const CABINET: MachineForm = { jacket: 'M56 84H264V414H56z', lines: '', words: [] };

const FORMS: Readonly<Record<string, MachineForm>> = {
  furnace: {
    jacket: 'M62 84H258V424H62z',
    lines: 'M62 372H258M86 388H150M86 398H150M86 408H150',
    words: [{ x: 170, y: 402, text: 'blower' }],
  },
  steam: {
    jacket: 'M56 96Q56 84 68 84H252Q264 84 264 96V414H56z',
    lines: 'M76 84V40H30M244 84V56H300V20',
    words: [{ x: 262, y: 16, text: 'steam' }],
  },
  hydronic: {
    jacket: 'M56 96Q56 84 68 84H252Q264 84 264 96V414H56z',
    lines: 'M264 150H304V20M264 396H304M296 388h16v16h-16z',
    words: [{ x: 268, y: 380, text: 'pump' }],
  },
  'storage-heater': {
    jacket: 'M70 112Q70 84 160 84T250 112V396Q250 420 160 420T70 396z',
    lines: 'M92 88V30M228 88V30M70 236Q160 256 250 236',
    words: [
      { x: 62, y: 26, text: 'cold' },
      { x: 232, y: 26, text: 'hot' },
    ],
  },
  combi: {
    jacket: 'M66 84H254Q264 84 264 94V404Q264 414 254 414H66Q56 414 56 404V94Q56 84 66 84z',
    lines: 'M86 414V440M112 414V440M208 414V440M232 414V440',
    words: [{ x: 66, y: 456, text: 'heating, tap' }],
  },
  'pool-heater': {
    jacket: 'M44 110L60 84H260L276 110V414H44z',
    lines: 'M44 110H276M276 372H316M276 396H316',
    words: [{ x: 280, y: 366, text: 'pool' }],
  },
  'pool-heat-pump': {
    jacket: 'M44 84H276V414H44z',
    lines: 'M60 230V400M80 230V400M100 230V400M220 230V400M240 230V400M260 230V400',
    words: [{ x: 130, y: 400, text: 'coil' }],
  },
  dryer: {
    jacket: 'M56 84H264V414H56z',
    lines: 'M56 238H264M160 84',
    words: [{ x: 196, y: 232, text: 'drum' }],
  },
  'mobile-furnace': {
    jacket: 'M50 110H270V414H50z',
    lines: 'M270 380H312',
    words: [{ x: 276, y: 374, text: 'outside' }],
  },
  'mobile-heater': {
    jacket: 'M50 110H270V414H50z',
    lines: 'M62 110V402H258V110',
    words: [{ x: 66, y: 408, text: 'door in the wall of the van' }],
  },
};

export const formOf = (family: string | undefined): MachineForm => FORMS[family ?? ''] ?? CABINET;
