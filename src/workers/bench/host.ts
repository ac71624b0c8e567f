import { BenchHub } from '@/devices/benchHub';
import type { Every } from '@/devices/replaySource';
import type { BenchAnswer, BenchQuestion } from './protocol';

/** The simulated benches in a worker of the page: the same hub as the server's, for one reader. */
export function benchHost(
  answer: (answer: BenchAnswer) => void,
  clock: () => number,
  every: Every,
): (question: BenchQuestion) => void {
  const hub = new BenchHub(clock, every);
  let leave: (() => void) | null = null;
  return (asked) => {
    switch (asked.kind) {
      case 'join':
        leave?.();
        leave = hub.join(asked.id, asked.since, (event) => answer({ kind: 'event', event }));
        break;
      case 'leave':
        leave?.();
        leave = null;
        break;
      case 'control':
        answer({
          kind: 'controls',
          question: asked.question,
          controls: hub.control(asked.id, asked.change),
        });
        break;
      case 'hidden':
        answer({ kind: 'hidden', question: asked.question, hidden: hub.hidden(asked.id) });
        break;
    }
  };
}
