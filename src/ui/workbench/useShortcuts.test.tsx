// @vitest-environment happy-dom
import { cleanup, fireEvent } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { changeDivider } from '@/core/project/edits';
import { sampleNamed } from '@/core/project/testSamples';
import { enter, field, stubBrowser } from '@/screens/testPanels';
import { QuantityField } from '../fields/QuantityField';
import { useApply, useProject } from './context';
import { renderInWorkbench } from './testWorkbench';
import { useShortcuts } from './useShortcuts';

const platform = sampleNamed('Platform lamps');
const onStep = vi.fn();

function Page({ dialog }: { readonly dialog: boolean }) {
  const apply = useApply();
  const { supplyVolts } = useProject().divider;
  useShortcuts({ range: undefined, onStep, onKeys: () => undefined, onPalette: () => undefined });
  return (
    <>
      <QuantityField
        label="Supply"
        unit="V"
        value={supplyVolts}
        limits={{ min: 1, max: 48 }}
        onCommit={(volts) => apply(changeDivider({ supplyVolts: volts }))}
      />
      {dialog && <div className="ant-modal-wrap" />}
    </>
  );
}
const page = (dialog = false) => renderInWorkbench(platform, () => <Page dialog={dialog} />);
const undo = (target: Element | Window) => fireEvent.keyDown(target, { key: 'z', ctrlKey: true });

beforeAll(stubBrowser);
afterEach(() => {
  cleanup();
  onStep.mockClear();
});

describe('the keys of the workbench', () => {
  it('undo the project’s last change from inside the field that made it, so that both show the same', () => {
    const { project } = page();
    enter('Supply', '9');
    expect(project().divider.supplyVolts).toBe(9);
    undo(field('Supply'));
    expect(project().divider.supplyVolts).toBe(6);
    expect(field('Supply').value).toBe('6');
  });

  it('undo a half-typed text first, and the project only after it', () => {
    const { project } = page();
    enter('Supply', '9');
    fireEvent.change(field('Supply'), { target: { value: '9.5' } });
    undo(field('Supply'));
    expect([field('Supply').value, project().divider.supplyVolts]).toEqual(['9', 9]);
    undo(field('Supply'));
    expect([field('Supply').value, project().divider.supplyVolts]).toEqual(['6', 6]);
  });

  it('do nothing while a dialog lies over the page, nor while someone types', () => {
    page();
    fireEvent.keyDown(window, { key: '4' });
    fireEvent.keyDown(field('Supply'), { key: '2' });
    expect(onStep.mock.calls).toEqual([['drive']]);
    cleanup();
    const { project } = page(true);
    fireEvent.keyDown(window, { key: '4' });
    undo(window);
    expect(onStep).toHaveBeenCalledTimes(1);
    expect(project()).toBe(platform);
  });
});
