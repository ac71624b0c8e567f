'use client';

import { ArrowRightOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { memo } from 'react';
import type { Step } from '@/core/advise/advice';
import { stepNames } from '../words/names';

/** The way on, for those who come in order. */
interface NextStepProps {
  readonly step: Step;
  readonly onGo: (step: Step) => void;
}

export const NextStep = memo(function NextStep({ step, onGo }: NextStepProps) {
  return (
    <Button type="primary" icon={<ArrowRightOutlined />} iconPlacement="end" onClick={() => onGo(step)}>
      Next: {stepNames[step].toLowerCase().replace('ldr', 'LDR')}
    </Button>
  );
});
