import { useCallback, useEffect, useState } from 'react';
import { oneOf } from '@/core/schema';
import { openStorage } from '@/store/openStorage';
import { symbolStyles, type SymbolStyle } from './context';

const KEY = 'symbols';
const styleField = oneOf(...symbolStyles);

/** IEC or ANSI symbols, as this browser was last told. */
export function useSymbols(): readonly [SymbolStyle, (style: SymbolStyle) => void] {
  const [style, setStyle] = useState<SymbolStyle>('iec');
  useEffect(() => {
    let left = false;
    void openStorage().then(async (storage) => {
      const kept = await storage.setting(KEY, styleField).catch(() => null);
      if (!left && kept) setStyle(kept);
    });
    return () => {
      left = true;
    };
  }, []);
  const choose = useCallback((next: SymbolStyle) => {
    setStyle(next);
    void openStorage().then((storage) => storage.saveSetting(KEY, next));
  }, []);
  return [style, choose];
}
