import { Button, Typography } from '@mui/material';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { productions } from '../../api/client';
import { useSettings } from '../../app/settings';
import { isHere } from '../../documents/drafts';
import { production, productionVersion } from '../../documents/kinds';
import { startWork } from '../../documents/outbox';
import { WorkList } from '../../documents/WorkList';
import { PageMessage } from '../../ui/PageMessage';

/** Where one was last, else the newest production, else all of them. */
export function BriefHome() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    const { lastProduction } = useSettings.getState();
    void whereToGo(lastProduction).then((id) => current && navigate(id ? `/brief/${id}` : '/briefs', { replace: true }));
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

const counts = (lines: string[]) => (
  <Typography variant="body2" sx={{ color: 'text.secondary' }}>
    {lines.join(', ')}
  </Typography>
);

/** All productions that the crew has saved. */
export function ProductionsPage() {
  const navigate = useNavigate();
  const make = async () => {
    const id = await startWork(production, {
      name: 'New production',
      document: { schemaVersion: productionVersion, delivery: { aspect: 16 / 9, widthPx: 3840 } },
    });
    void navigate(`/brief/${id}`);
  };
  return (
    <WorkList
      kind={production}
      title="Productions"
      address="/brief"
      none="Make one: it holds the shots that are wanted and the places where they are filmed."
      make={
        <Button variant="contained" onClick={() => void make()}>
          New production
        </Button>
      }
      lines={counts}
    />
  );
}
