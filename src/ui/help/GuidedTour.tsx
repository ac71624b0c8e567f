'use client';

import { Tour } from 'antd';
import { helpWords, tourStops } from '../words/panels/help';

interface GuidedTourProps {
  readonly stop: number;
  readonly onStop: (stop: number) => void;
  readonly onClose: () => void;
}

/** Six stops on the design that is open. What is not on the page of this step is told without a place. */
export function GuidedTour({ stop, onStop, onClose }: GuidedTourProps) {
  return (
    <Tour
      open
      getPopupContainer={() => document.querySelector<HTMLElement>('main') ?? document.body}
      current={stop}
      onChange={onStop}
      onClose={onClose}
      onFinish={onClose}
      steps={tourStops.map(({ target, title, text }, index) => ({
        title,
        description: text,
        target: () => document.querySelector<HTMLElement>(target) ?? document.body,
        nextButtonProps: {
          children: index === tourStops.length - 1 ? helpWords.tourEnd : helpWords.tourNext,
        },
        prevButtonProps: { children: helpWords.tourBack },
      }))}
    />
  );
}
