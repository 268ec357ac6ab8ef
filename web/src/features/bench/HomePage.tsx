import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { comparisons } from '../../api/client';
import { useSettings } from '../../app/settings';
import { coreReady } from '../../core/core';
import { PageMessage } from '../../ui/PageMessage';
import { benchKeeper, drafts } from './saving';
import { starterDocument } from './starter';

/** Where one was last, else the newest comparison, else a new one: opening the application always shows rigs side by side. */
export function HomePage() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    const { lastOpened } = useSettings.getState();
    void comparisons.list(false, 0).then((list) => {
      if (!current) {
        return;
      }
      const away = 'kind' in list;
      const known = lastOpened !== null && (away ? drafts.read(lastOpened) !== null : list.some((c) => c.id === lastOpened));
      const id = known ? lastOpened : away ? undefined : list[0]?.id;
      void navigate(id ? `/bench/${id}` : '/new', { replace: true });
    });
    return () => {
      current = false;
    };
  }, [navigate]);
  return <PageMessage title="Opening…" text="The core is starting in your browser." />;
}

/** Makes a new comparison and goes there. */
export function NewPage() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    void coreReady.then(() => {
      if (current) {
        const id = crypto.randomUUID();
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
