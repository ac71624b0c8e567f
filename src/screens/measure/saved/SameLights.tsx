'use client';

import { Button, Tooltip } from 'antd';
import { useReadAnother } from './useReadAnother';
import { measureWords } from '@/ui/words/panels/measure';

/** Puts this LDR in stock and asks for the next one at the same lights. */
export function SameLights() {
  const readAnother = useReadAnother();
  return (
    <Tooltip title={measureWords.thisLDRIs}>
      <Button size="small" onClick={() => void readAnother()}>
        Another LDR, same lights <kbd>R</kbd>
      </Button>
    </Tooltip>
  );
}
