import { useEffect, useState } from 'react';
import type { StoreApi, UseBoundStore } from 'zustand';
import type { Failure } from '../api/client';
import type { AnyDocument } from './documentStore';
import type { Keeper } from './saving';

/** A document's store, as far as all documents are alike. */
export type DocumentHook<D> = UseBoundStore<Pick<StoreApi<AnyDocument<D>>, 'getState' | 'getInitialState' | 'subscribe'>>;

/** Opens the document that the address names, saves it as long as it is on the page, and tells what came of opening it. */
export function useOpened<D>(useDocument: DocumentHook<D>, keeper: Keeper<D>, id: string) {
  const [failed, setFailed] = useState<{ id: string; failure: Failure } | null>(null);
  const opened = useDocument((s) => s.id === id);
  const open = () => keeper.open(id).then((failure) => setFailed(failure && { id, failure }));
  useEffect(() => keeper.autosave(), [keeper]);
  useEffect(() => {
    void keeper.open(id).then((failure) => setFailed(failure && { id, failure }));
    return keeper.leave;
  }, [id, keeper]);
  return { opened, failure: failed?.id === id ? failed.failure : null, tryAgain: () => void open() };
}
