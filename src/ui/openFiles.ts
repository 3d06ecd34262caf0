'use client';

import { createContext, useContext } from 'react';

/** Opens the file chooser of whatever takes files around a screen. */
export const OpenFilesContext = createContext<() => void>(() => undefined);

/** The file chooser's opener. */
export const useOpenFiles = (): (() => void) => useContext(OpenFilesContext);
