'use client';

import { Alert } from 'antd';
import { useStore } from 'zustand';
import { storageState } from '@/store/openStorage';
import { storageWords } from '../words/panels/storage';
import { storageTrouble } from '../words/refusals';

/** Says that nothing is stored, and whether the browser or the user wants it so. */
export function MemoryNotice() {
  const isByChoice = useStore(storageState, (store) => store.isByChoice);
  return (
    <Alert type="warning" showIcon title={isByChoice ? storageWords.byChoice : storageTrouble('refused')} />
  );
}
