import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { productions } from '../../api/client';
import { useSettings } from '../../app/settings';
import { isHere } from '../../documents/drafts';
import { production } from '../../documents/kinds';
import { PageMessage } from '../../ui/PageMessage';

/** Where one was last, else the newest production, else all of them. */
export function BriefHome() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    const { lastProduction } = useSettings.getState();
    void whereToGo(lastProduction).then((id) => current && navigate(id ? `/brief/${id}` : '/work?kind=production', { replace: true }));
    return () => {
      current = false;
    };
  }, [navigate]);
  return <PageMessage title="Opening…" text="Your productions are being looked up." />;
}

/** Where one was last, as long as that is there; else the newest. */
async function whereToGo(last: string | null): Promise<string | undefined> {
  const [list, here] = await Promise.all([productions.list(false, 0), last !== null && isHere(production.kind, last)]);
  const away = 'kind' in list;
  const known = last !== null && (away ? here : list.some((p) => p.id === last));
  return known ? last : away ? undefined : list[0]?.id;
}
