import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';

/** What every way of measuring is given. */
export interface MeasureViewProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}
