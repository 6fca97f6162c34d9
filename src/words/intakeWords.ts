import type { IntakePoint } from '@/core/job/intakePoints'

/**
 * What is asked before the first screw: its name, why, what is said when all is well, and what is written otherwise.
 */
export type IntakeWords = { name: string; why: string; fine: string; write: string; unit?: string }

export const INTAKE_WORDS: Record<IntakePoint, IntakeWords> = {
  workplace: {
    name: 'Workplace',
    why: 'cloth and tape laid out, trays labelled, the bag here',
    fine: 'ready',
    write: '',
  },
  'settings as recorded': {
    name: 'As the record finds it',
    why: 'the plan begins from there',
    fine: 'all so',
    write: '',
  },
  keys: {
    name: 'Keys',
    why: 'outside, so that nothing locks and nothing starts',
    fine: 'outside',
    write: 'where they are',
  },
  wheel: {
    name: 'Steering wheel',
    why: 'straight and unlocked, where the column has to move',
    fine: 'straight',
    write: 'how it stands',
  },
  windows: {
    name: 'Windows',
    why: 'where they are wanted: without battery they stay there',
    fine: 'as wanted',
    write: 'how they stand',
  },
  media: {
    name: 'Media',
    why: 'nothing stays in a unit that comes out',
    fine: 'ejected',
    write: 'what is still in it',
  },
  codes: {
    name: 'Security codes',
    why: 'a unit without supply may ask for its code',
    fine: 'known',
    write: 'which, and who has it',
  },
  clock: {
    name: 'Clock',
    why: 'put back at the end when it is written here',
    fine: 'no matter',
    write: 'how it differs',
  },
  stations: {
    name: 'Stations',
    why: 'put back at the end when they are written here',
    fine: 'no matter',
    write: 'the first ones',
  },
  seat: {
    name: 'Driver’s seat',
    why: 'put back at the end when it is written here',
    fine: 'stays',
    write: 'notch, height',
  },
  mirrors: {
    name: 'Mirrors',
    why: 'put back at the end when it is written here',
    fine: 'stay',
    write: 'how they stand',
  },
  'warning lamps': {
    name: 'Warning lamps',
    why: 'lit before we touched it: an old fault is not ours',
    fine: 'none lit',
    write: 'which are lit',
  },
  'battery voltage': { name: 'Battery', why: 'a weak one spoils the tests', fine: '', write: 'reading', unit: 'V' },
  temperature: {
    name: 'Temperature',
    why: 'cold plastic breaks: the cards say so when it is',
    fine: '',
    write: 'reading',
    unit: '°C',
  },
  'marks and damage': {
    name: 'Marks and damage',
    why: 'what was there before, with a photo',
    fine: 'none seen',
    write: 'where, what',
  },
  'earlier work': {
    name: 'Somebody’s earlier work',
    why: 'foreign joints, taped leads, glued trim',
    fine: 'none seen',
    write: 'where, what',
  },
  fasteners: {
    name: 'Fasteners',
    why: 'missing, too many or with another head before we began',
    fine: 'as written',
    write: '',
  },
}
