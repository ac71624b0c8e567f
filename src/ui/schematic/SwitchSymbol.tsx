import { memo, type ReactNode } from 'react';
import type { TransistorKind } from '@/core/drivers/kinds';
import { useDrawing } from './context';
import { stroke, type At } from './symbols';

/**
 * The transistor: base or gate at the left (x − 30), the current-carrying pins at x, 20 above and below. The emitter or source
 * of a PNP or P-MOSFET is the upper one, that of the others the lower one.
 */
export const SwitchSymbol = memo(function SwitchSymbol({
  kind,
  x,
  y,
}: At & { readonly kind: TransistorKind }) {
  const { style } = useDrawing();
  const { body, hasCase } = symbols[kind];
  return (
    <g transform={`translate(${x} ${y})`}>
      {(style === 'ansi' || hasCase) && (
        <circle cx={-9} cy={0} r={21} {...stroke} strokeWidth={1.2} fill="var(--card)" />
      )}
      {body}
    </g>
  );
});

/** One entry for each kind; a Darlington is two in one case in either style. */
const symbols: Readonly<Record<TransistorKind, { readonly body: ReactNode; readonly hasCase: boolean }>> = {
  npn: { body: <Bipolar />, hasCase: false },
  pnp: { body: <Bipolar flipped />, hasCase: false },
  darlington: { body: <Darlington />, hasCase: true },
  nmos: { body: <Mos />, hasCase: false },
  pmos: { body: <Mos flipped />, hasCase: false },
};

function Bipolar({ flipped = false }: { readonly flipped?: boolean }) {
  return (
    <>
      <path d="M-30 0 h12 M-18 -12 v24" {...stroke} strokeWidth={2.2} />
      <path d="M-18 -5 L0 -16 V-20 M-18 5 L0 16 V20" {...stroke} />
      {flipped ? (
        <path d="M-13.5 -7.7 l8.4 -0.6 l-3.6 -6.4 z" fill="var(--ink)" />
      ) : (
        <path d="M-1.5 15 l-8.2 -1 l4 -6 z" fill="var(--ink)" />
      )}
    </>
  );
}

/** Two NPN as one: the first's emitter at the second's base. */
function Darlington() {
  return (
    <>
      <path d="M-30 0 h7 M-23 -8 v16" {...stroke} strokeWidth={2.2} />
      <path d="M-23 -4 L-13 -12 H0 M-23 4 L-13 9 V12" {...stroke} />
      <path d="M-13 3 v15" {...stroke} strokeWidth={2.2} />
      <path d="M-13 7 L0 -2 V-20 M-13 14 L0 19 V20" {...stroke} />
      <path d="M-1 18.6 l-7 0.6 l2.4 -5.4 z" fill="var(--ink)" />
    </>
  );
}

/** Enhancement MOSFET: a broken channel, the arrow pointing at an N one and away from a P one, whose source is above. */
function Mos({ flipped = false }: { readonly flipped?: boolean }) {
  return (
    <>
      <path d="M-30 0 h8 M-22 -13 v26" {...stroke} strokeWidth={1.8} />
      <path d="M-17 -15 v8 M-17 -4 v8 M-17 7 v8" {...stroke} strokeWidth={2.2} />
      <path d="M-17 -11 H0 V-20 M-17 11 H0 V20 M-17 0 H0" {...stroke} />
      <path d={flipped ? 'M0 0 V-11' : 'M0 0 V11'} {...stroke} />
      <path d={flipped ? 'M-3 0 l-7 -4 v8 z' : 'M-16 0 l7 -4 v8 z'} fill="var(--ink)" />
    </>
  );
}
