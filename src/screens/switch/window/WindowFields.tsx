'use client';

import { Button } from 'antd';
import { sizeDetector } from '@/core/size/resize';
import { changeDetector } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import type { WindowSettings } from '@/core/detectors/window/definition';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { comparatorName } from '@/ui/words/names';
import type { Design } from '@/core/design';
import { partWith } from '@/core/parts/find';
import { comparatorFigures, ofOutput } from '../CustomIcModal';
import { EdgeBandFields } from '../EdgeBandFields';
import { PartSelect } from '../PartSelect';
import { switchWords } from '@/ui/words/panels/switch';

const openCollectors = shippedComparators.filter(({ kind }) => kind === 'open-collector');
const figures = [
  ['topOhms', switchWords.toTheUpperThreshold, 'reference-upper'],
  ['middleOhms', switchWords.betweenTheTwo, 'reference-middle'],
  ['bottomOhms', switchWords.toTheLowerRail, 'reference-lower'],
  ['pullUpOhms', switchWords.pullUp, 'pull-up'],
] as const;

interface WindowFieldsProps {
  readonly design: Design;
  readonly settings: WindowSettings;
}

/** A window: two open collectors joined, and the string that sets both edges. */
export function WindowFields({ design, settings }: WindowFieldsProps) {
  const apply = useApply();
  return (
    <>
      <PartSelect
        part={settings.part}
        offered={openCollectors}
        nameOf={comparatorName}
        figures={comparatorFigures}
        asOffered={ofOutput(['open-collector'])}
        onTake={(part) => apply(changeDetector('window', { part }))}
      />
      {figures.map(([key, label, role]) => (
        <QuantityField
          key={key}
          label={`${label} ${partWith(design.assembly.parts, role)?.designator ?? ''}`}
          unit="Ω"
          value={settings[key]}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeDetector('window', { [key]: value }))}
        />
      ))}
      <EdgeBandFields design={design} hysteresis={settings.hysteresis} names={switchWords.edges} />
      <span>
        <Button onClick={() => apply(sizeDetector)}>{switchWords.findTheStringFor}</Button>
      </span>
    </>
  );
}
