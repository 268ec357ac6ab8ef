import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { comparisons } from '../../api/client';
import { useSettings } from '../../app/settings';
import { coreReady } from '../../core/core';
import { PageMessage } from '../../ui/PageMessage';
import { comparison } from '../../documents/kinds';
import { isHere } from '../../documents/drafts';
import { newId } from '../../documents/unique';
import { benchKeeper } from './saving';
import { starterDocument } from './starter';

/** Where one was last, else the newest comparison, else a new one: opening the application always shows rigs side by side. */
export function HomePage() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    const { lastOpened } = useSettings.getState();
    void whereToGo(lastOpened).then((id) => current && navigate(id ? `/bench/${id}` : '/new', { replace: true }));
    return () => {
      current = false;
    };
  }, [navigate]);
  return <PageMessage title="Opening…" text="The core is starting in your browser." />;
}

/** Where one was last, as long as that is there; else the newest. */
async function whereToGo(lastOpened: string | null): Promise<string | undefined> {
  const [list, here] = await Promise.all([comparisons.list(false, 0), lastOpened !== null && isHere(comparison.kind, lastOpened)]);
  const away = 'kind' in list;
  const known = lastOpened !== null && (away ? here : list.some((c) => c.id === lastOpened));
  return known ? lastOpened : away ? undefined : list[0]?.id;
}

/** Makes a new comparison and goes there. */
export function NewPage() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    void coreReady.then(() => {
      if (current) {
        const id = newId();
        benchKeeper.openNew(id, {
          name: `Comparison of ${new Date().toLocaleDateString('en-GB', { dateStyle: 'long' })}`,
          document: starterDocument(),
        });
        void navigate(`/bench/${id}`, { replace: true });
      }
    });
    return () => {
      current = false;
    };
  }, [navigate]);
  return <PageMessage title="Starting…" text="A new comparison is being laid out." />;
}
