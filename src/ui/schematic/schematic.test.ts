import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { chooseDetector } from '@/core/size/chooseDetector';
import { changeSteps } from '@/core/size/changeSteps';
import { detectorKinds } from '@/core/detectors/kinds';
import { defaultLoads } from '@/core/loads/registry';
import type { Load } from '@/core/loads/registry';
import { defaultSource } from '@/core/loads/supply';
import { changeOutputStage } from '@/core/project/detectorEdits';
import {
  addLoad,
  changeBaseResistor,
  changeDivider,
  changeLoadSupply,
  changeDriver,
  takeLoad,
  takeTransistor,
  together,
} from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { checkProject } from '@/core/project/project';
import { transistorKinds } from '@/core/drivers/kinds';
import { defaultTransistor as defaultPart, drivers } from '@/core/drivers/registry';
import type { TransistorKind } from '@/core/drivers/kinds';
import { editablesOf } from './editable';
import { isWide, layout, layoutOf } from './layout';

const platform = sampleProjects[0];
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
const loads: readonly Load[] = Object.values(defaultLoads);

describe('the layout of a drawing', () => {
  const placeOf = (kind: TransistorKind, place: 'collector' | 'emitter') =>
    layoutOf(
      designOf(together(takeTransistor(defaultPart(kind)), changeDriver({ place }))(platform)).assembly,
    );

  it('hangs the loads above the switch or below it, as current flows', () => {
    for (const kind of transistorKinds) {
      const isHighSide = drivers[kind].polarity === 'p';
      expect(placeOf(kind, 'collector').isHigh).toBe(isHighSide);
      expect(placeOf(kind, 'emitter').isHigh).toBe(!isHighSide);
    }
    const [low, high] = [placeOf('npn', 'collector'), placeOf('npn', 'emitter')];
    expect(low.to).toBeLessThan(layout.MID);
    expect(high.from).toBeGreaterThan(layout.MID);
    expect(high.to - high.from).toBeGreaterThanOrEqual(low.to - low.from - 6);
  });

  it('sets any loads side by side without overlap, within its width', () => {
    const all = together(takeLoad(defaultLoads.relay), ...loads.slice(0, 5).map(addLoad))(platform);
    const { columns, width } = layoutOf(designOf(all).assembly);
    expect(columns).toHaveLength(6);
    columns.slice(1).forEach(({ x }, index) => expect(x - (columns[index]?.x ?? 0)).toBeGreaterThan(90));
    expect(width - (columns[5]?.x ?? 0)).toBeGreaterThan(90);
  });
});

describe('the layout behind a detector', () => {
  const placeOf = (project: Project) => layoutOf(designOf(project).assembly);

  it('stands wide, its switch to the right of its output, whatever switches', () => {
    for (const kind of detectorKinds) {
      const { assembly } = designOf(chooseDetector(kind)(platform));
      expect(isWide(assembly)).toBe(kind !== 'transistor');
      const place = layoutOf(assembly);
      if (kind === 'transistor' || kind === 'ladder') continue;
      expect(place.switchX).toBeGreaterThan(place.drive.x + 60);
      expect(place.drive.x).toBe(place.outX);
    }
  });

  it('makes room for what follows it, and for a resistor across the LDR', () => {
    const plain = chooseDetector('comparator')(platform);
    const withOutputStage = placeOf(changeOutputStage({ kind: 'inverted' })(plain));
    expect(withOutputStage.drive.x - withOutputStage.outX).toBeGreaterThan(90);
    expect(withOutputStage.switchX - placeOf(plain).switchX).toBe(
      withOutputStage.drive.x - withOutputStage.outX,
    );
    const across = placeOf(changeDivider({ ldrParallelOhms: 100_000 })(plain));
    expect(across.outX).toBeGreaterThan(placeOf(plain).outX);
  });

  it('grows with the steps of a ladder', () => {
    const of = (count: number) =>
      placeOf(
        changeSteps(Array.from({ length: count }, (_, step) => 10 * 2 ** step))(
          chooseDetector('ladder')(platform),
        ),
      );
    expect(of(8).height).toBeGreaterThan(of(5).height + 120);
    expect(of(2).height).toBeGreaterThanOrEqual(288);
  });
});

describe('what can be changed on the drawing of a detector', () => {
  it.each(detectorKinds)('is every resistor about it, to a project that is still whole: %s', (kind) => {
    const project = chooseDetector(kind)(platform);
    const design = designOf(project);
    const editables = editablesOf(project, design);
    const drawn = design.assembly.parts.flatMap((part) =>
      part.kind === 'resistor' && (part.role.startsWith('reference') || part.role === 'string')
        ? [part.designator]
        : [],
    );
    // A change detector's reference follows from its trigger voltage.
    if (kind !== 'change') expect(drawn.filter((name) => !editables.has(name))).toEqual([]);
    for (const editable of editables.values()) {
      if (editable.kind === 'choice') continue;
      expect(checkProject(editable.edit(editable.value * 1.2)(project))).toMatchObject({ ok: true });
    }
  });
});

describe('what can be changed on a drawing', () => {
  const wired = together(
    changeBaseResistor(1000),
    changeDivider({ ldrSeriesOhms: 100, ldrParallelOhms: 100_000 }),
    addLoad(defaultLoads.relay),
    addLoad(defaultLoads.buzzer),
    changeLoadSupply({ ...defaultSource('adapter', 12), commonGround: true }),
  )(platform);
  const editables = editablesOf(wired, designOf(wired));

  it('is every resistor, load, supply and the transistor', () => {
    expect([...editables.keys()].sort()).toEqual(
      ['R1', 'R2', 'R3', 'R4', 'R5', 'Q1', 'D1', 'K1', 'BZ1', 'BT1', 'BT2'].sort(),
    );
  });

  it('changes just that one figure, to a project that is still whole', () => {
    for (const [name, editable] of editables) {
      if (editable.kind === 'choice') continue;
      const value = editable.value * 1.5;
      const changed = editable.edit(value)(wired);
      expect(checkProject(changed)).toMatchObject({ ok: true });
      const again = editablesOf(changed, designOf(changed)).get(name);
      expect(again?.kind === 'value' && again.value).toBe(value);
    }
  });

  it('offers parts of the same kind for the transistor', () => {
    const choice = editables.get('Q1');
    if (choice?.kind !== 'choice') throw new Error('a choice was wanted');
    expect(choice.options.map(({ label }) => label)).toContain('1 A NPN');
    expect(choice.edit('medium-npn')(wired).driver.part.id).toBe('medium-npn');
    expect(choice.edit('nothing')(wired)).toEqual(wired);
  });
});
