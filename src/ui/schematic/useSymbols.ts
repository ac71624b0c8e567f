import { useCallback, useEffect, useState } from 'react';
import { openStorage } from '@/store/openStorage';
import { symbolStyles, type SymbolStyle } from './context';

const KEY = 'symbols';

/** IEC or ANSI symbols, as this browser was last told. */
export function useSymbols(): readonly [SymbolStyle, (style: SymbolStyle) => void] {
  const [style, setStyle] = useState<SymbolStyle>('iec');
  useEffect(() => {
    let left = false;
    void openStorage().then(async (storage) => {
      const kept = await storage.setting(KEY).catch(() => null);
      const known = symbolStyles.find((candidate) => candidate === kept);
      if (!left && known) setStyle(known);
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
