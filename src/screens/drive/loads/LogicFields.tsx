'use client';

import { readsAs, type LogicLoad } from '@/core/loads/logic';
import { LIMITS } from '@/core/project/project';
import { changeLoad } from '@/core/project/edits';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { volts } from '@/ui/words/figures';
import { useWhenItSwitches, type LoadFieldsProps } from './figures';
import { driveWords } from '@/ui/words/panels/drive';

/** A pin of another device: its supply, its own resistor, and the voltages that it reads as low and high. */
export function LogicFields({ load, index, facts, design }: LoadFieldsProps<LogicLoad>) {
  const apply = useApply();
  const { pin } = facts;
  const switches = useWhenItSwitches(facts, 'no light');
  const pullsUp = design.assembly.isHighSide;
  const read = (at: number | undefined) => (at === undefined ? '–' : readsAs(load, at));
  return (
    <>
      <QuantityField
        label={driveWords.deviceRunsOn}
        unit="V"
        value={load.supplyVolts}
        limits={LIMITS.load.logicVolts}
        onCommit={(supplyVolts) => apply(changeLoad({ supplyVolts }, index))}
      />
      <QuantityField
        label={pullsUp ? 'Pull-down to 0 V' : 'Pull-up to its supply'}
        unit="Ω"
        value={load.pullOhms}
        limits={LIMITS.load.pullOhms}
        onCommit={(pullOhms) => apply(changeLoad({ pullOhms }, index))}
      />
      <QuantityField
        label={driveWords.lowUpTo}
        unit="V"
        value={load.lowVolts}
        limits={LIMITS.load.levelVolts}
        onCommit={(lowVolts) => apply(changeLoad({ lowVolts }, index))}
      />
      <QuantityField
        label={driveWords.highFromV}
        unit="V"
        value={load.highVolts}
        limits={LIMITS.load.levelVolts}
        onCommit={(highVolts) => apply(changeLoad({ highVolts }, index))}
      />
      <Fact name="Pin, switch on" value={volts(pin?.onVolts ?? 0)} note={`reads ${read(pin?.onVolts)}`} />
      <Fact name="Pin, switch off" value={volts(pin?.offVolts ?? 0)} note={`reads ${read(pin?.offVolts)}`} />
      <Fact name={pullsUp ? 'Reads high at' : 'Reads low at'} value={switches.on} />
      <Fact name={pullsUp ? 'Reads low at' : 'Reads high at'} value={switches.off} />
      <p className="soft">{driveWords.betweenTheTwo}</p>
    </>
  );
}
