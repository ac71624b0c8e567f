import type { Assembly } from '@/core/operate/assembly';
import { layout, NODE } from './layout';
import { resistorIn, Upright } from './resistors';
import { Dot, Wire } from './symbols';

/** An open collector's resistor from the supply to the output's wire. */
export function PullUp({ assembly, x }: { readonly assembly: Assembly; readonly x: number }) {
  const part = resistorIn(assembly, 'pull-up');
  if (!part) return null;
  const end = layout.MID - NODE;
  return (
    <>
      <Wire
        points={[
          [x, layout.TOP],
          [x, end],
        ]}
      />
      <Dot x={x} y={layout.TOP} />
      <Dot x={x} y={end} />
      <Upright part={part} x={x} y={62} />
    </>
  );
}
