'use client';

import { createContext, useContext } from 'react';

/** Shows how a trace was read from its file. */
export const ShowImportContext = createContext<(traceId: string) => void>(() => undefined);

/** Opens the import report of a trace. */
export const useShowImport = (): ((traceId: string) => void) => useContext(ShowImportContext);
