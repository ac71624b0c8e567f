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
import { comparatorFigures, ofOutput } from '../CustomIcModal';
import { PartSelect } from '../PartSelect';
import { switchWords } from '@/ui/words/panels/switch';

const openCollectors = shippedComparators.filter(({ kind }) => kind === 'open-collector');
const figures = [
  ['topOhms', 'To the upper threshold R21'],
  ['middleOhms', 'Between the two R22'],
  ['bottomOhms', 'To 0 V R23'],
  ['pullUpOhms', 'Pull-up R25'],
] as const;

/** A window: two open collectors joined, and the string that sets both edges. */
export function WindowFields({ settings }: { readonly settings: WindowSettings }) {
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
      {figures.map(([key, label]) => (
        <QuantityField
          key={key}
          label={label}
          unit="Ω"
          value={settings[key]}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeDetector('window', { [key]: value }))}
        />
      ))}
      <span>
        <Button onClick={() => apply(sizeDetector)}>{switchWords.findTheStringFor}</Button>
      </span>
    </>
  );
}
