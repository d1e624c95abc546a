import type { FieldWords } from '@/core/kernel';
import type { CrossingSetup } from './setup';

/** What the fields of a crossing's setup are called. */
export const CROSSING_SETUP_FIELDS: FieldWords<CrossingSetup> = {
  a: 'the one circuit',
  apart: 'circuits kept apart',
  b: 'the other circuit',
  back: 'tray position at the back',
  by: 'how they are kept apart',
  circuit: 'circuit',
  code: 'code',
  diameter: 'diameter',
  frames: 'frame allowed',
  front: 'tray position in front',
  locked: 'locked cable',
  max: 'largest',
  members: 'cable',
  min: 'smallest',
  place: 'wall',
  press: 'place of the press unit',
  rating: 'rating of the wall',
  revision: 'revision',
  school: 'order of building',
  sheet: 'sheet of the frames',
  spareShare: 'share that stays free',
  tag: 'tag',
};
