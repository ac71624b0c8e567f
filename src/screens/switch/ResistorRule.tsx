import type { Conflict } from '@/core/advise/waysOut';
import { partOhms } from '@/ui/words/figures';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const [WIDTH, LEFT, RIGHT, BAR] = [860, 10, 850, 56];

interface ResistorRuleProps {
  readonly conflict: Conflict;
  readonly inUseOhms: number;
}

/** R1 on a logarithmic rule: where the load is held, and where the light wants it. */
export function ResistorRule({ conflict, inUseOhms }: ResistorRuleProps) {
  const { lightOhms, loadOhms, loadWants } = conflict;
  const isMost = loadWants === 'at-most';
  const wants = `wants at ${isMost ? 'most' : 'least'} ${partOhms(loadOhms ?? 0)}`;
  const all = [lightOhms, inUseOhms, ...(loadOhms === null ? [] : [loadOhms])];
  const [from, to] = [Math.min(...all) / 4, Math.max(...all) * 4];
  const place = (ohms: number) => LEFT + ((RIGHT - LEFT) * Math.log(ohms / from)) / Math.log(to / from);
  const summary = `The light wants R1 = ${partOhms(lightOhms)}; ${loadOhms === null ? 'no R1 holds the load' : `the load ${wants}`}; in use is ${partOhms(inUseOhms)}.`;
  const [lightX, loadX] = [place(lightOhms), loadOhms === null ? LEFT : place(loadOhms)];
  return (
    <svg viewBox={`0 0 ${WIDTH} 108`} role="img" aria-label={summary} className={styles.rule}>
      <rect x={LEFT} y={BAR} width={RIGHT - LEFT} height={12} fill="var(--off-bar)" />
      {loadOhms !== null && (
        <rect
          x={isMost ? LEFT : loadX}
          y={BAR}
          width={isMost ? loadX - LEFT : RIGHT - loadX}
          height={12}
          fill="var(--amber)"
        />
      )}
      <path d={`M${loadX} ${BAR - 6} v24`} stroke="var(--ink)" strokeWidth={2} />
      <text x={Math.max(LEFT, Math.min(loadX, RIGHT - 260))} y={BAR + 34} fill="var(--ink)">
        {loadOhms === null ? 'No R1 holds this load' : `Load ${wants}`}
      </text>
      <path d={`M${lightX} ${BAR + 16} v-26`} stroke="var(--accent)" strokeWidth={2} />
      <path d={`M${lightX - 6} ${BAR - 10} h12 l-6 8 z`} fill="var(--accent)" />
      <text x={lightX} y={BAR - 18} textAnchor="middle" fill="var(--accent)">
        {`Light wants ${partOhms(lightOhms)}`}
      </text>
      <circle
        cx={place(inUseOhms)}
        cy={BAR + 6}
        r={5}
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <text x={LEFT} y={18} fill="var(--ink-soft)">
        {switchWords.smallerR1}
      </text>
      <text x={RIGHT} y={18} textAnchor="end" fill="var(--ink-soft)">
        {switchWords.largerR1}
      </text>
      <text x={RIGHT} y={BAR + 34} textAnchor="end" fill="var(--ink-soft)">
        {switchWords.ringR1In}
      </text>
    </svg>
  );
}
