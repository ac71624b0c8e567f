import { BENCH_LIMITS, type BenchControls } from '@/core/practice/bench';
import { relativeLightAt } from '@/core/light/ladder';
import { metresText } from '@/ui/words/light';
import styles from './Live.module.css';

const [LEFT, RIGHT] = [44, 330];

/** The bench from the side: LDR at the left, lamp on its rail at its distance, screen and cover as they are. */
export function BenchPicture({ controls }: { readonly controls: BenchControls }) {
  const { lampMetres, lampOn, dimShare, covered, screenOn, roomLux } = controls;
  const { min, max } = BENCH_LIMITS.lampMetres;
  const lampX = LEFT + 26 + (Math.log(lampMetres / min) / Math.log(max / min)) * (RIGHT - LEFT - 26);
  const glow = lampOn ? Math.min(1, 0.25 + 0.75 * dimShare) : 0;
  const beam = lampOn
    ? Math.min(0.55, 0.05 + 0.08 * Math.log10(1 + 60 * dimShare * relativeLightAt(lampMetres)))
    : 0;
  const said = [
    lampOn ? `lamp at ${metresText(lampMetres)}` : 'lamp off',
    covered ? 'LDR covered' : 'LDR open',
    screenOn ? 'screen flickering' : '',
  ];
  return (
    <svg
      viewBox="0 0 356 96"
      className={styles.picture}
      role="img"
      aria-label={`The bench: ${said.filter(Boolean).join(', ')}.`}
    >
      <rect x="0" y="0" width="356" height="96" rx="5" fill="var(--night)" />
      <rect
        x="0"
        y="0"
        width="356"
        height="96"
        rx="5"
        fill="var(--amber)"
        opacity={Math.min(0.3, 0.07 * Math.log10(1 + roomLux))}
      />
      {lampOn && !covered && (
        <path d={`M${lampX} 50 L${LEFT} 42 L${LEFT} 58 Z`} fill="var(--amber)" opacity={beam} />
      )}
      <line x1="20" x2="340" y1="76" y2="76" stroke="var(--night-line)" strokeWidth="2" />
      {[0.1, 0.25, 0.5, 1, 2, 4].map((metres) => {
        const x = LEFT + 26 + (Math.log(metres / min) / Math.log(max / min)) * (RIGHT - LEFT - 26);
        return (
          <g key={metres}>
            <line x1={x} x2={x} y1="76" y2="80" stroke="var(--night-line)" />
            <text x={x} y="91" textAnchor="middle" fontSize="10" fill="var(--on-night-soft)">
              {metresText(metres)}
            </text>
          </g>
        );
      })}
      <line x1={LEFT - 6} x2={LEFT - 6} y1="58" y2="76" stroke="var(--night-line)" strokeWidth="3" />
      <circle cx={LEFT - 6} cy="50" r="10" fill="var(--card)" stroke="var(--on-night-soft)" />
      <path d={`M${LEFT - 12} 46 h9 v4 h-7 v4 h9`} fill="none" stroke="var(--brick)" strokeWidth="1.6" />
      {covered && (
        <rect
          x={LEFT - 22}
          y="32"
          width="34"
          height="38"
          rx="4"
          fill="var(--night-soft)"
          stroke="var(--on-night-soft)"
        />
      )}
      {screenOn && (
        <rect x="8" y="8" width="30" height="20" rx="2" fill="var(--focus-on-night)" opacity="0.8" />
      )}
      <line x1={lampX} x2={lampX} y1="58" y2="76" stroke="var(--night-line)" strokeWidth="3" />
      <circle cx={lampX} cy="50" r="16" fill="var(--amber)" opacity={glow * 0.35} />
      <circle
        cx={lampX}
        cy="50"
        r="8"
        fill={lampOn ? 'var(--amber)' : 'var(--night-soft)'}
        stroke="var(--on-night-soft)"
      />
    </svg>
  );
}
