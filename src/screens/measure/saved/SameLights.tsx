'use client';

import { Button, Tooltip } from 'antd';
import { useReadAnother } from './useReadAnother';

/** Puts this LDR in stock and asks for the next one at the same lights. */
export function SameLights() {
  const readAnother = useReadAnother();
  return (
    <Tooltip title="This LDR is saved, and its lights are planned for the next one (R)">
      <Button size="small" onClick={() => void readAnother()}>
        Another LDR, same lights <kbd>R</kbd>
      </Button>
    </Tooltip>
  );
}
