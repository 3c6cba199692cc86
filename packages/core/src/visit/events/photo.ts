import * as t from '@sinclair/typebox';
import { bodyOf, oneOf } from '../../question';
import { uuid, words } from '../fields';
import type { EventKind } from './event-kind';

/** What is on a photo. */
export const PHOTO_KINDS = ['plate', 'diagram', 'wiring', 'damage'] as const;
export type PhotoKind = (typeof PHOTO_KINDS)[number];

const body = bodyOf('photo', { photo: uuid, words, kind: t.Optional(oneOf(PHOTO_KINDS)) });

/** A photo was taken. The picture itself is kept beside the log, where it can be erased. */
export const photo: EventKind<typeof body> = { body };
