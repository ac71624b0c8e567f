'use client';

import { Serwist } from '@serwist/window';
import { App, Button } from 'antd';
import { useEffect } from 'react';
import { storageWords } from '../words/panels/storage';

const KEY = 'new-build';

/**
 * Keeps the app in the browser, so that it works without the server; a newer build is taken over when the user agrees, and
 * not before.
 */
export function OfflineReady() {
  const { notification } = App.useApp();
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    const keeper = new Serwist('/offline/sw.js', { scope: '/', type: 'module' });
    const take = () => {
      keeper.addEventListener('controlling', () => window.location.reload());
      keeper.messageSkipWaiting();
    };
    keeper.addEventListener('waiting', () =>
      notification.info({
        key: KEY,
        title: storageWords.newBuild,
        duration: 0,
        actions: (
          <Button type="primary" size="small" onClick={take}>
            {storageWords.takeBuild}
          </Button>
        ),
      }),
    );
    void keeper.register().catch(() => undefined);
  }, [notification]);
  return null;
}
