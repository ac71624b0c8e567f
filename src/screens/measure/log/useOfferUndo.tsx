import { App, Button } from 'antd';
import { useCallback } from 'react';
import { measureWords } from '@/ui/words/panels/measure';

/** Says what was taken away, with the way back; the offer goes when it has been taken. */
export function useOfferUndo() {
  const { notification } = App.useApp();
  return useCallback(
    (title: string, undo: () => Promise<unknown>) => {
      const key = `undo-${title}`;
      notification.open({
        key,
        title,
        duration: 12,
        actions: (
          <Button
            type="primary"
            size="small"
            onClick={() => void undo().then(() => notification.destroy(key))}
          >
            {measureWords.undo}
          </Button>
        ),
      });
    },
    [notification],
  );
}
