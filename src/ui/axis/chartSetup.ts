import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  type ChartOptions,
  type Scale,
} from 'chart.js';
import type { LightRange } from '@/core/light/range';
import { ROOM_CHANGED } from '../theme/useOnPaper';
import type { Palette } from '../theme/tokens';

Chart.register(Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement);

if (typeof document !== 'undefined') {
  // A canvas knows no style sheet: the page's own letters are said to it.
  const family = getComputedStyle(document.documentElement).getPropertyValue('--font-text');
  if (family !== '') Chart.defaults.font.family = family;
  const fitAll = () => Object.values(Chart.instances).forEach((chart) => chart.resize());
  window.addEventListener(ROOM_CHANGED, fitAll);
}

/** Room above and below the drawing area of a strip, in pixels. */
export const STRIP_PADDING = 8;

/** The vertical scale of a strip. */
export interface StripScale {
  readonly kind: 'linear' | 'log';
  readonly min: number;
  readonly max: number;
  readonly ticks: readonly number[];
  readonly label: (value: number) => string;
}

/** Where a value stands in a strip: 0 at the bottom, 1 at the top, held inside. */
export function fractionOn(scale: StripScale, value: number): number {
  const fraction =
    scale.kind === 'log'
      ? Math.log(Math.max(value, 1e-12) / scale.min) / Math.log(scale.max / scale.min)
      : (value - scale.min) / (scale.max - scale.min);
  return Math.min(1, Math.max(0, fraction));
}

/** Chart options that make a canvas a strip of the light axis: same gutter, same light, nothing that moves. */
export function stripOptions(
  range: LightRange,
  scale: StripScale,
  gutter: number,
  edge: number,
  colors: Palette,
): ChartOptions<'line'> {
  return {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    parsing: false,
    normalized: true,
    events: [],
    layout: {
      autoPadding: false,
      padding: { top: STRIP_PADDING, bottom: STRIP_PADDING, left: 0, right: edge },
    },
    elements: { point: { radius: 0 }, line: { borderWidth: 2 } },
    scales: {
      x: { type: 'logarithmic', display: false, min: range.minLux, max: range.maxLux },
      y: {
        type: scale.kind === 'log' ? 'logarithmic' : 'linear',
        min: scale.min,
        max: scale.max,
        border: { display: false },
        grid: { color: colors.lineSoft, drawTicks: false },
        afterFit: (axis: Scale) => {
          axis.width = gutter;
          // The scale should fill all but the strip's own padding exactly.
          axis.paddingTop = 0;
          axis.paddingBottom = 0;
        },
        afterBuildTicks: (axis: Scale) => {
          axis.ticks = scale.ticks.map((value) => ({ value }));
        },
        // Words over a canvas are the page's own: a line that moves need not draw them again.
        ticks: { display: false },
      },
    },
  };
}
