import Joi from 'joi';
import { COMPLAINT_IDS } from '@zetalysis/core/question';
import type { CallEvent } from '@zetalysis/core/visit';
import { uuid } from '../http/validate';

const name = Joi.string().min(1).max(80);
const words = Joi.string().allow('').max(2000);
const names = Joi.array().items(name).max(50);
const finite = Joi.number().unsafe();

const reading = Joi.alternatives(
  Joi.object({ kind: Joi.valid('value').required(), value: finite.required(), dimension: name.required() }),
  Joi.object({
    kind: Joi.valid('range').required(),
    low: finite.required(),
    high: finite.required(),
    dimension: name.required(),
  }),
  Joi.object({ kind: Joi.valid('open').required(), dimension: Joi.valid('resistance').required() }),
);
const typed = Joi.string().allow('').max(80).required();

const pins = {
  profile: name.required(),
  profileVersion: name.required(),
  variant: name,
  engineVersion: name.required(),
  settings: Joi.object({ units: Joi.valid('us', 'si').required(), settingsVersion: name.required() }).required(),
};

const advice = Joi.object({
  suspects: Joi.array()
    .items(
      Joi.object({
        repair: name.required(),
        words: words.required(),
        probability: Joi.number().min(0).max(1).required(),
      }),
    )
    .max(20)
    .required(),
  standing: Joi.valid('proved', 'suspected').required(),
  nextTest: words,
});

/** Shape of each kind of event. The server checks shape only; it never needs to run a diagnosis to accept one. */
const BODIES: Readonly<Record<string, Joi.PartialSchemaMap>> = {
  opened: { machine: uuid, complaint: Joi.string().min(1).max(500).required(), ...pins },
  setup: {
    power: Joi.boolean().required(),
    gas: Joi.boolean().required(),
    call: Joi.boolean().required(),
    unplugged: names.required(),
    bypassed: names.required(),
    actions: names,
  },
  seen: {
    phase: name.required(),
    answer: Joi.valid('yes', 'no', 'unclear').required(),
    try: Joi.number().integer().min(1).max(20),
  },
  outcome: { outcome: Joi.valid('dead', 'stuck', 'starts-over', 'locks-out', 'cycles', 'runs').required() },
  code: { code: name.required() },
  volts: {
    red: name.required(),
    black: name.required(),
    phase: name,
    meter: Joi.valid('high-impedance', 'low-impedance'),
    reading: reading.required(),
    typed,
  },
  ohms: { part: name.required(), branch: Joi.string().allow('').max(80), reading: reading.required(), typed },
  gauge: { gauge: name.required(), reading: reading.required(), typed },
  timing: { phase: name.required(), reading: reading.required(), typed },
  look: { look: name.required(), answer: name.required() },
  declined: { test: Joi.string().min(1).max(200).required(), why: Joi.valid('cannot', 'will-not').required() },
  repaired: { part: name.required(), action: words.required(), measured: Joi.boolean() },
  adjusted: { what: name.required(), original: name.required(), now: name.required() },
  'adjustment-settled': { event: uuid.required(), how: Joi.valid('put-back', 'kept').required() },
  danger: { danger: Joi.valid('gas', 'co', 'fire').required() },
  'danger-over': { words: words.required() },
  told: { complaint: Joi.valid(...COMPLAINT_IDS).required() },
  timer: { title: name.required(), seconds: Joi.number().integer().min(1).max(172_800).required() },
  note: { text: Joi.string().min(1).max(4000).required() },
  retracted: { event: uuid.required() },
  'break-recorded': {
    part: name.required(),
    failure: words.required(),
    cause: words.required(),
    action: words.required(),
    standing: Joi.valid('proved', 'suspected').required(),
    advice: advice.required(),
  },
  closed: { words: words.required() },
};

const bodySchema = Joi.alternatives().conditional('.type', {
  switch: Object.entries(BODIES).map(([type, fields]) => ({
    is: type,
    then: Joi.object({ type: Joi.string().required(), ...fields }),
  })),
  otherwise: Joi.object({ type: Joi.valid(...Object.keys(BODIES)).required() }).unknown(true),
});

const eventSchema = Joi.object<CallEvent>({
  id: uuid.required(),
  call: uuid.required(),
  seq: Joi.number().integer().min(1).max(2_000_000_000).required(),
  at: Joi.string().isoDate().max(40).required(),
  device: name.required(),
  person: name.required(),
  body: bodySchema.required(),
});

export const eventsSchema = Joi.object<{ events: CallEvent[] }>({
  events: Joi.array().items(eventSchema).min(1).max(200).required(),
});
