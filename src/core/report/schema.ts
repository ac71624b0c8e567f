import { FILE_FORMAT, FILE_VERSION } from '../project/file';
import { ANALYSIS_FORMAT, ANALYSIS_VERSION } from './analysis';

const text = { type: 'string' };
const number = { type: 'number' };
const numberOrNone = { type: ['number', 'null'] };
const flag = { type: 'boolean' };

/** An object with just these keys, all of them there. */
const exactly = (properties: Readonly<Record<string, unknown>>) => ({
  type: 'object',
  required: Object.keys(properties),
  additionalProperties: false,
  properties,
});
const listOf = (items: unknown) => ({ type: 'array', items });

const light = exactly({ lux: numberOrNone, reason: { type: ['string', 'null'] } });
const lightOrNone = { anyOf: [light, { type: 'null' }] };

const heldOrNone = {
  anyOf: [exactly({ rail: text, net: text, ohms: number, like: text }), { type: 'null' }],
};

const saidAdvice = exactly({ step: text, state: { enum: ['look', 'cannot'] }, code: text, text });

/** JSON Schema (draft 7) of what `POST /api/analyse` takes and gives. What stands inside a project is told in docs/project-file.md. */
export const apiSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Yemko, from outside',
  definitions: {
    question: {
      type: 'object',
      description: 'A project file, as it is exported.',
      required: ['format', 'version', 'savedAt', 'project'],
      additionalProperties: false,
      properties: {
        format: { const: FILE_FORMAT },
        version: { type: 'integer', minimum: 1, maximum: FILE_VERSION },
        savedAt: text,
        project: { type: 'object' },
        logs: { type: 'array' },
      },
    },
    answer: exactly({
      format: { const: ANALYSIS_FORMAT },
      version: { const: ANALYSIS_VERSION },
      project: exactly({ id: text, name: text }),
      scale: { enum: ['lux', 'relative', 'ohms'] },
      goal: exactly({ action: { enum: ['on-in-dark', 'on-in-light'] }, lux: number, offLux: numberOrNone }),
      action: { enum: ['on-in-dark', 'on-in-light'] },
      ldr: exactly({
        source: { enum: ['measured', 'bag', 'typical', 'named'] },
        ...{ r10Ohms: number, gamma: number, darkOhms: numberOrNone, brightOhms: number },
      }),
      switching: exactly({
        ...{ justOff: light, half: light, fullyOn: light, turnOn: lightOrNone, turnOff: lightOrNone },
        ...{ turnOnVolts: numberOrNone, turnOffVolts: numberOrNone },
      }),
      drive: exactly({
        ...{ fullAmps: number, guaranteedAmps: number, saturates: flag, forcedBeta: numberOrNone },
      }),
      parts: listOf(exactly({ designator: text, kind: text, role: text })),
      states: { type: 'object', additionalProperties: { enum: ['in-order', 'look', 'cannot'] } },
      advice: listOf(saidAdvice),
      ends: { anyOf: [listOf(saidAdvice), { type: 'null' }] },
      testLights: listOf(exactly({ name: text, lux: number, holds: heldOrNone })),
      testPoints: listOf(
        exactly({
          key: text,
          kind: text,
          light: { type: ['string', 'null'] },
          value: number,
          low: number,
          high: number,
          takenOff: listOf(text),
        }),
      ),
    }),
    refusal: exactly({ error: text, path: { type: ['string', 'null'] } }),
  },
} as const;
