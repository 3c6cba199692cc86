import { Router } from 'express';
import Joi from 'joi';
import { v7 } from 'uuid';
import { Machine, type Wires } from '../db/models';
import { Problem } from '../http/problem';
import { uuid, validate } from '../http/validate';
import type { Profiles } from '../profiles';

interface NewMachine {
  label: string;
  site: string;
  make: string;
  modelName: string;
  serial: string;
  profile: string;
  variant?: string | null;
}

const machineSchema = Joi.object<NewMachine>({
  label: Joi.string().trim().min(1).max(120).required(),
  site: Joi.string().trim().min(1).max(200).required(),
  make: Joi.string().trim().max(80).allow('').required(),
  modelName: Joi.string().trim().max(80).allow('').required(),
  serial: Joi.string().trim().max(80).allow('').required(),
  profile: Joi.string().max(80).required(),
  variant: Joi.string().max(80).allow(null),
});

const wiresSchema = Joi.object<Wires>()
  .pattern(
    Joi.string().max(40),
    Joi.object({
      terminal: Joi.string().trim().max(40).allow('').required(),
      colour: Joi.string().trim().max(40).allow('').required(),
    }),
  )
  .max(80)
  .required();

export function machineRoutes(profiles: Profiles): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await Machine.findAll({ order: [['label', 'ASC']] }));
  });
  router.post('/', async (request, response) => {
    const input = validate(machineSchema, request.body);
    const profile = await profiles.get(input.profile, 400);
    const variant = input.variant ?? null;
    if (variant !== null && !profile.variants.some((v) => v.id === variant))
      throw new Problem(
        400,
        'Unknown variant',
        `${profile.id} has no variant "${variant}". Known: ${profile.variants.map((v) => v.id).join(', ') || 'none'}.`,
      );
    response.status(201).json(await Machine.create({ ...input, variant, id: v7() }));
  });
  router.put('/:id/wires', async (request, response) => {
    const machine = await Machine.findByPk(validate(uuid.required(), request.params.id));
    if (!machine) throw new Problem(404, 'No such machine', 'This machine is not in the register.');
    await machine.update({ wires: validate(wiresSchema, request.body) });
    response.json(machine);
  });
  return router;
}
