import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { actionsOf, edited, type ThingActions } from './editing';
import { settingsOf, type Made, type Sheet } from './facts';
import { measure } from './fonts';
import type { Page } from './marks';
import type { Saved } from './out';
import { pagesOf } from './pages';
import type { PageActions } from './PageView';
import { SheetForm, type FormChoices } from './SheetForm';
import { SheetPages } from './SheetPages';

interface LiveSheetProps {
  sheet: Sheet;
  made: (sheet: Sheet) => Made;
  put: (sheet: Sheet) => void;
  work: { id: string; revision: number; state: string };
  form: FormChoices;
  thingActions?: ThingActions | undefined;
  onSaid: (say: string) => void;
  onFrozen: (id: string) => void;
  onRemove: () => void;
}

/** A sheet that follows its work, and is changed where it stands. */
export function LiveSheet({ sheet, made, put, work, form, thingActions, onSaid, onFrozen, onRemove }: LiveSheetProps) {
  // Typing on the page asks for no figures anew.
  const settings = useMemo(() => JSON.stringify(settingsOf(sheet)), [sheet]);
  const { facts, choices, things } = useMemo(() => made(JSON.parse(settings) as Sheet), [made, settings]);
  // What is typed stands in its field at once; the pages follow when there is time.
  const soon = useDeferredValue(sheet);
  const [printed, setPrinted] = useState<Sheet | null>(null);
  const shown = printed === sheet ? sheet : soon;
  const laid = useMemo(() => pagesOf(shown, facts, work.state, measure), [shown, facts, work.state]);
  const pages = useSame(laid);
  const all = useMemo(() => things.map((t) => t.id), [things]);
  // Pages that stay the same are not drawn anew: what acts on them looks up what is so when it acts.
  const now = useRef({ sheet, all, choices, put, thingActions });
  useEffect(() => {
    now.current = { sheet, all, choices, put, thingActions };
  });
  // What goes to paper or into a file is what was typed, whether there was time to show it or not.
  useEffect(() => {
    const follow = () => flushSync(() => setPrinted(now.current.sheet));
    window.addEventListener('beforeprint', follow);
    return () => window.removeEventListener('beforeprint', follow);
  }, []);
  const saved = (): Saved => ({ sheet, facts, pages: pagesOf(sheet, facts, work.state, measure) });
  const actions: PageActions = useMemo(
    () => ({
      edit: (key, value) => now.current.put(edited(now.current.sheet, key, value, now.current.all)),
      actions: (handle) => {
        const is = now.current;
        return actionsOf(handle, is.sheet, is.choices, is.all, is.put, is.thingActions);
      },
      watch: (handle, onChange) =>
        (handle.of === 'item' && now.current.thingActions?.watch(now.current.sheet, handle.id, onChange)) || nothing,
    }),
    [],
  );
  return (
    <SheetPages
      pages={pages}
      facts={facts}
      actions={actions}
      side={
        <SheetForm
          sheet={sheet}
          saved={saved}
          choices={choices}
          things={things}
          put={put}
          work={work}
          form={form}
          onSaid={onSaid}
          onFrozen={onFrozen}
          onRemove={onRemove}
        />
      }
    />
  );
}

const nothing = () => undefined;

type Texts = Record<keyof Pick<Page, 'marks' | 'edits' | 'handles'>, string>;

/** Pages whose parts are the very ones of before as long as nothing of them is another. */
function useSame(pages: Page[]): Page[] {
  const [kept, setKept] = useState<{ pages: Page[]; texts: Texts[]; from: Page[] }>({ pages: [], texts: [], from: [] });
  if (kept.from === pages) {
    return kept.pages;
  }
  const texts = pages.map(({ marks, edits, handles }): Texts => ({
    marks: JSON.stringify(marks),
    edits: JSON.stringify(edits),
    handles: JSON.stringify(handles),
  }));
  const same = pages.map((page, i): Page => {
    const [before, now, was] = [kept.pages[i], texts[i]!, kept.texts[i]];
    if (!before || !was || before.width !== page.width || before.height !== page.height) return page;
    const parts = ['marks', 'edits', 'handles'] as const;
    return parts.every((part) => now[part] === was[part])
      ? before
      : {
          ...page,
          ...(now.edits === was.edits && { edits: before.edits }),
          ...(now.handles === was.handles && { handles: before.handles }),
        };
  });
  setKept({ pages: same, texts, from: pages });
  return same;
}
