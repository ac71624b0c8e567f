'use client';

import { createContext, useContext } from 'react';

/** Opens the settings, from anywhere. */
export const OpenSettings = createContext<() => void>(() => undefined);

export const useOpenSettings = () => useContext(OpenSettings);
