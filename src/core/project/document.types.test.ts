import { describe, expectTypeOf, it } from 'vitest';
import type { DetectorSettings } from '../detectors/registry';
import type { DriverSettings, Divider, Goal, Project } from './project';
import type { LedLoad } from '../loads/led';
import type { LogicLoad } from '../loads/logic';
import type { Reading } from '../readings/reading';
import type { SavedLdr } from '../readings/savedLdr';
import type { Meter } from '../meter/meter';

/** The document is what its schemas take: a field taken out of a schema, or put in, stops this from compiling. */
describe('the types of the document', () => {
  it('have exactly the keys of their schemas', () => {
    expectTypeOf<keyof Project>().toEqualTypeOf<
      | 'id'
      | 'name'
      | 'part'
      | 'readings'
      | 'meter'
      | 'lightTolerance'
      | 'levels'
      | 'lampMetres'
      | 'lightLdr'
      | 'plan'
      | 'bag'
      | 'resistors'
      | 'midpoints'
      | 'variant'
      | 'others'
      | 'goal'
      | 'divider'
      | 'driver'
      | 'detector'
      | 'outputStage'
      | 'loads'
      | 'source'
      | 'loadSupply'
      | 'build'
      | 'check'
      | 'darkShare'
      | 'feedbackLux'
      | 'beam'
    >();
    expectTypeOf<keyof Goal>().toEqualTypeOf<'action' | 'lux' | 'offLux'>();
    expectTypeOf<keyof Divider>().toEqualTypeOf<
      | 'supplyVolts'
      | 'ldrSide'
      | 'fixedOhms'
      | 'trimmer'
      | 'isDirect'
      | 'ldrParallelOhms'
      | 'ldrSeriesOhms'
      | 'lights'
      | 'ambientCelsius'
    >();
    expectTypeOf<keyof DriverSettings>().toEqualTypeOf<'kind' | 'part' | 'baseOhms' | 'place'>();
    expectTypeOf<keyof LogicLoad>().toEqualTypeOf<
      'kind' | 'supplyVolts' | 'pullOhms' | 'lowVolts' | 'highVolts'
    >();
  });

  it('are numbers, words and switches as the schemas say', () => {
    expectTypeOf<Goal['lux']>().toEqualTypeOf<number>();
    expectTypeOf<Goal['offLux']>().toEqualTypeOf<number | null>();
    expectTypeOf<Divider['isDirect']>().toEqualTypeOf<boolean>();
    expectTypeOf<LedLoad['strings']>().toEqualTypeOf<number>();
    expectTypeOf<Reading['setAside']>().toEqualTypeOf<boolean>();
    expectTypeOf<SavedLdr['id']>().toEqualTypeOf<string>();
    expectTypeOf<Meter['id']>().toEqualTypeOf<string>();
    expectTypeOf<DetectorSettings['kind']>().toEqualTypeOf<
      'transistor' | 'comparator' | 'window' | 'ladder' | 'timer' | 'controller' | 'change'
    >();
  });
});
