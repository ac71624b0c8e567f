import type { Assembly } from '@/core/operate/assembly';
import { Lying, resistorIn } from './resistors';
import { Dot, Wire } from './symbols';

interface EdgeFeedbackProps {
  readonly assembly: Assembly;
  /** Which of the comparators. */
  readonly index: number;
  /** Where its plus input's wire comes from, the node before that input, and the column of its output. */
  readonly x: { readonly from: number; readonly node: number; readonly to: number };
  /** The rows of its plus input, of the feedback's way round and of its output. */
  readonly y: { readonly input: number; readonly over: number; readonly out: number };
  /** The first resistor's name stands under it; as the feedback goes, unless it is said. */
  readonly isNamedUnder?: boolean;
}

/** The resistor before a comparator's plus input, and the one from its output to there; nothing where it has no band. */
export function EdgeFeedback({ assembly, index, x, y, isNamedUnder }: EdgeFeedbackProps) {
  const input = resistorIn(assembly, 'edge-input', index);
  const feedback = resistorIn(assembly, 'edge-feedback', index);
  if (!input || !feedback) return null;
  const isUnder = y.over > y.input;
  return (
    <>
      <Lying part={input} x={(x.from + x.node) / 2} y={y.input} under={isNamedUnder ?? isUnder} />
      <Wire
        points={[
          [x.node, y.input],
          [x.node, y.over],
          [x.to, y.over],
          [x.to, y.out],
        ]}
      />
      <Dot x={x.node} y={y.input} />
      <Dot x={x.to} y={y.out} />
      <Lying part={feedback} x={(x.node + x.to) / 2} y={y.over} under={isUnder} />
    </>
  );
}
