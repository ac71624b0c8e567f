import type { Assembly } from '@/core/stages/description';
import { amps, partOhms, partVolts } from '../words/figures';
import type { Column, SchematicLayout } from './layout';
import { PartLabel } from './PartLabel';
import {
  BuzzerSymbol,
  CoilSymbol,
  FlybackSymbol,
  LampSymbol,
  LedSymbol,
  ModuleSymbol,
  MotorSymbol,
  ResistorSymbol,
  Wire,
} from './symbols';

interface LoadColumnProps {
  readonly column: Column;
  readonly place: SchematicLayout;
  readonly assembly: Assembly;
  /** Through this load, in A, and as a share of its full current. */
  readonly loadAmps: number;
  readonly share: number;
}

/** One load between plus and the switch, or between the switch and 0 V, with its current. */
export function LoadColumn({ column, place, assembly, loadAmps, share }: LoadColumnProps) {
  const { x, placed } = column;
  const { from, to } = place;
  const current = amps(loadAmps);
  return (
    <>
      <Wire
        points={[
          [x, Math.min(from, place.nodeY)],
          [x, Math.max(to, place.nodeY)],
        ]}
      />
      <LoadSymbols column={column} place={place} assembly={assembly} share={share} />
      <text
        x={x + (placed.flyback ? 46 : placed.load.kind === 'led' ? 12 : 24)}
        y={from + (placed.load.kind === 'led' ? 49 : 68)}
        className="value"
        fill="var(--amber-ink)"
      >
        {`↓ ${current}`}
      </text>
    </>
  );
}

type SymbolsProps = Pick<LoadColumnProps, 'column' | 'place' | 'assembly' | 'share'>;

function LoadSymbols({ column: { x, placed }, place: { from, to }, assembly, share }: SymbolsProps) {
  const { load, designator, resistor, flyback } = placed;
  const middle = (from + to) / 2;
  if (load.kind === 'led') {
    const series = assembly.parts.find((part) => part.designator === resistor);
    const count = load.strings > 1 ? `${load.strings}×${load.inSeries}` : `×${load.inSeries}`;
    const ohms = series?.kind === 'resistor' ? partOhms(series.ohms * load.strings) : '';
    return (
      <>
        <ResistorSymbol x={x} y={from + 22} />
        <PartLabel reach={18} x={x + 12} y={from + 17} anchor="start" name={resistor ?? ''} value={ohms} />
        <LedSymbol x={x} y={from + 62} share={share} />
        <PartLabel
          reach={30}
          x={x + 22}
          y={from + 67}
          anchor="start"
          name={designator}
          flat
          {...(load.inSeries * load.strings > 1 ? { value: count } : {})}
        />
      </>
    );
  }
  const at = { x, y: middle };
  const symbol = {
    relay: <CoilSymbol {...at} />,
    motor: <MotorSymbol {...at} />,
    buzzer: <BuzzerSymbol {...at} />,
    module: <ModuleSymbol {...at} />,
    lamp: <LampSymbol {...at} share={share} />,
  }[load.kind];
  const value = load.kind === 'relay' ? partOhms(load.coilOhms) : partVolts(load.ratedVolts);
  return (
    <>
      {symbol}
      {flyback && <FlybackSymbol x={x} from={from} to={to} />}
      {flyback && <PartLabel x={x + 46} y={from + 20} anchor="start" name={flyback} />}
      <PartLabel
        reach={flyback ? 62 : 42}
        x={x + (flyback ? 46 : 24)}
        y={from + (flyback ? 38 : 36)}
        anchor="start"
        name={designator}
        value={value}
      />
    </>
  );
}
