import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design/analyse';
import { usualLoads, type Load } from '@/core/loads/load';
import { usualSource } from '@/core/loads/supply';
import {
  addLoad,
  changeBaseResistor,
  changeDivider,
  changeLoadSupply,
  changeStage,
  takeLoad,
  takeTransistor,
  together,
} from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { checkProject } from '@/core/project/schema';
import { transistorKinds, usualPart, type TransistorKind } from '@/core/stages/transistors';
import { editablesOf, railName } from './editable';
import { layout, layoutOf } from './layout';

const platform = sampleProjects[0] as Project;
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
const loads = Object.values(usualLoads) as Load[];

describe('the layout of a drawing', () => {
  const placeOf = (kind: TransistorKind, place: 'collector' | 'emitter') =>
    layoutOf(
      designOf(together(takeTransistor(usualPart(kind)), changeStage({ place }))(platform)).description,
    );

  it('hangs the loads above the switch or below it, as current flows', () => {
    for (const kind of transistorKinds) {
      const isPnp = kind === 'pnp';
      expect(placeOf(kind, 'collector').isHigh).toBe(isPnp);
      expect(placeOf(kind, 'emitter').isHigh).toBe(!isPnp);
    }
    const [low, high] = [placeOf('npn', 'collector'), placeOf('npn', 'emitter')];
    expect(low.to).toBeLessThan(layout.MID);
    expect(high.from).toBeGreaterThan(layout.MID);
    expect(high.to - high.from).toBeGreaterThanOrEqual(low.to - low.from - 6);
  });

  it('sets any loads side by side without overlap, within its width', () => {
    const all = together(takeLoad(usualLoads.relay), ...loads.slice(0, 5).map(addLoad))(platform);
    const { columns, width } = layoutOf(designOf(all).description);
    expect(columns).toHaveLength(6);
    columns.slice(1).forEach(({ x }, index) => expect(x - (columns[index]?.x ?? 0)).toBeGreaterThan(90));
    expect(width - (columns[5]?.x ?? 0)).toBeGreaterThan(90);
  });
});

describe('what can be changed on a drawing', () => {
  const wired = together(
    changeBaseResistor(1000),
    changeDivider({ ldrSeriesOhms: 100, ldrParallelOhms: 100_000 }),
    addLoad(usualLoads.relay),
    addLoad(usualLoads.buzzer),
    changeLoadSupply({ ...usualSource('adapter', 12), joined: true }),
  )(platform);
  const editables = editablesOf(wired, designOf(wired));

  it('is every resistor, load, supply and the transistor', () => {
    expect([...editables.keys()].sort()).toEqual(
      ['R1', 'R2', 'R3', 'R4', 'R5', 'Q1', 'D1', 'K1', 'BZ1', railName(6), railName(12)].sort(),
    );
  });

  it('changes just that one figure, to a project that is still whole', () => {
    for (const [name, editable] of editables) {
      if (editable.kind === 'choice') continue;
      const value = editable.value * 1.5;
      const changed = editable.edit(value)(wired);
      expect(checkProject(changed)).toMatchObject({ ok: true });
      const renamed = name.startsWith('+') ? railName(value) : name;
      const again = editablesOf(changed, designOf(changed)).get(renamed);
      expect(again?.kind === 'value' && again.value).toBe(value);
    }
  });

  it('offers parts of the same kind for the transistor', () => {
    const choice = editables.get('Q1');
    if (choice?.kind !== 'choice') throw new Error('a choice was wanted');
    expect(choice.options.map(({ label }) => label)).toContain('1 A NPN');
    expect(choice.edit('medium-npn')(wired).stage.part.id).toBe('medium-npn');
    expect(choice.edit('nothing')(wired)).toEqual(wired);
  });
});
