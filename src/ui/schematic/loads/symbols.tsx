import { memo } from 'react';
import { useDrawing } from '../context';
import { stroke, type At } from '../symbols';

/** A relay's coil: a box in IEC, loops in ANSI. */
export const CoilSymbol = memo(function CoilSymbol({ x, y }: At) {
  const { style } = useDrawing();
  if (style === 'iec') {
    return (
      <rect x={x - 15} y={y - 9} width={30} height={18} {...stroke} strokeWidth={2} fill="var(--card)" />
    );
  }
  return (
    <g>
      <path d={`M${x} ${y - 16} v32`} stroke="var(--card)" strokeWidth={5} />
      <path d={`M${x} ${y - 16} a6 4 0 0 1 0 8 a6 4 0 0 1 0 8 a6 4 0 0 1 0 8 a6 4 0 0 1 0 8`} {...stroke} />
    </g>
  );
});

/** A filament lamp: a cross in IEC, a filament in ANSI; glowing as much as it has current. */
export function LampSymbol({ x, y, share }: At & { readonly share: number }) {
  const { style } = useDrawing();
  const light = Math.min(1, Math.max(0, share)) ** 3;
  return (
    <g>
      {light > 0.02 && <circle cx={x} cy={y} r={21} fill="var(--amber)" opacity={0.35 * light} />}
      <circle cx={x} cy={y} r={13} {...stroke} fill="var(--card)" />
      <circle cx={x} cy={y} r={12} fill="var(--amber)" opacity={light} />
      {style === 'iec' ? (
        <path d={`M${x - 9.2} ${y - 9.2} l18.4 18.4 M${x + 9.2} ${y - 9.2} l-18.4 18.4`} {...stroke} />
      ) : (
        <path d={`M${x} ${y - 13} v6 a5 5 0 1 1 -0.1 12 v8`} {...stroke} />
      )}
    </g>
  );
}

export const MotorSymbol = memo(function MotorSymbol({ x, y }: At) {
  return (
    <g>
      <circle cx={x} cy={y} r={14} {...stroke} fill="var(--card)" />
      <text x={x} y={y + 5} textAnchor="middle" className="name" fill="var(--ink)">
        M
      </text>
    </g>
  );
});

/** A brushless fan: a motor with a vane. */
export const FanSymbol = memo(function FanSymbol({ x, y }: At) {
  return (
    <g>
      <circle cx={x} cy={y} r={15} {...stroke} fill="var(--card)" />
      {[0, 120, 240].map((turn) => (
        <path
          key={turn}
          d="M0 0 c-2 -5 1 -11 6 -11 c3 4 0 9 -6 11 z"
          transform={`translate(${x} ${y}) rotate(${turn})`}
          {...stroke}
          strokeWidth={1.3}
        />
      ))}
    </g>
  );
});

/** An LED strip: a band with its lights, as bright as their current. @param share of full current, 0–1 */
export function StripSymbol({ x, y, share }: At & { readonly share: number }) {
  const light = Math.min(1, Math.max(0, share));
  return (
    <g>
      <rect x={x - 9} y={y - 21} width={18} height={42} rx={2} {...stroke} fill="var(--card)" />
      {[-13, 0, 13].map((dy) => (
        <g key={dy}>
          {light > 0.02 && <circle cx={x} cy={y + dy} r={9} fill="var(--amber)" opacity={0.3 * light} />}
          <rect x={x - 4} y={y + dy - 4} width={8} height={8} {...stroke} strokeWidth={1.2} />
          <rect x={x - 4} y={y + dy - 4} width={8} height={8} fill="var(--amber)" opacity={light} />
        </g>
      ))}
    </g>
  );
}

/** A buzzer that needs a tone, under the timer IC that feeds it, whose minus goes past it to the switch. */
export const ToneSymbol = memo(function ToneSymbol({ x, y }: At) {
  return (
    <g>
      <path d={`M${x} ${y - 24} v48`} stroke="var(--card)" strokeWidth={5} />
      <rect x={x - 13} y={y - 25} width={26} height={17} rx={2} {...stroke} fill="var(--card)" />
      <path d={`M${x - 8} ${y - 16} q4 -9 8 0 t8 0`} {...stroke} strokeWidth={1.3} />
      <path d={`M${x - 13} ${y - 16} h-9 v42 h22`} {...stroke} />
      <path d={`M${x} ${y - 8} v9 M${x} ${y + 19} v8`} {...stroke} />
      <path d={`M${x} ${y - 1} v22 a11 11 0 0 0 0 -22 z`} {...stroke} fill="var(--card)" />
    </g>
  );
});

/** A buzzer: half a dome with its feet on the wire. */
export const BuzzerSymbol = memo(function BuzzerSymbol({ x, y }: At) {
  return (
    <g>
      <path d={`M${x} ${y - 14} v28`} stroke="var(--card)" strokeWidth={5} />
      <path
        d={`M${x + 12} ${y - 15} v30 a15 15 0 0 1 0 -30 z`}
        {...stroke}
        fill="var(--card)"
        transform={`rotate(180 ${x + 6} ${y})`}
      />
      <path d={`M${x} ${y - 22} v8 M${x} ${y + 14} v8`} {...stroke} />
    </g>
  );
});

/** A ready-made module's input: a box with its terminal. */
export const ModuleSymbol = memo(function ModuleSymbol({ x, y }: At) {
  return (
    <g>
      <rect x={x - 21} y={y - 20} width={42} height={40} rx={3} {...stroke} fill="var(--card)" />
      <text x={x} y={y + 5} textAnchor="middle" className="value" fill="var(--ink)">
        IN
      </text>
    </g>
  );
});

/** A pin of another device: a box with its terminal, which looks to the switch. */
export const LogicSymbol = memo(function LogicSymbol({ x, y }: At) {
  return (
    <g>
      <rect x={x - 21} y={y - 17} width={42} height={34} rx={3} {...stroke} fill="var(--card)" />
      <text x={x} y={y + 5} textAnchor="middle" className="value" fill="var(--ink)">
        pin
      </text>
    </g>
  );
});
