import { useEffect, useMemo, useState } from 'react';
import { when } from '../ui/format';
import { PageMessage } from '../ui/PageMessage';
import { changesSince, type Made, type Sheet } from './facts';
import { measure } from './fonts';
import { answerSaid, frozenPictureAddress, readContent, useFrozen, type Frozen, type FrozenContent } from './frozen';
import { pagesOf } from './pages';
import { SentPanel } from './SentPanel';
import { SheetPages } from './SheetPages';

interface FrozenSheetProps {
  frozen: Frozen;
  make: (sheet: Sheet) => Made;
  /** True while it cannot be told yet what is so now. */
  isWaiting: boolean;
  onSaid: (say: string) => void;
  onDeleted: () => void;
}

/** A sheet as it was sent, with what has changed since and what was answered. */
export function FrozenSheet({ frozen, make, isWaiting, onSaid, onDeleted }: FrozenSheetProps) {
  const content: FrozenContent | undefined = useFrozen((s) => s.contents[frozen.id]);
  const [failed, setFailed] = useState('');
  useEffect(() => void readContent(frozen.id).then(setFailed), [frozen.id]);
  const sheet = content?.sheet;
  const pages = useMemo(
    () => (content ? pagesOf(content.sheet, content.facts, `frozen ${when(frozen.madeAt)}, revision ${frozen.workRevision}`, measure) : []),
    [content, frozen],
  );
  const changes = useMemo(
    () => (content && !isWaiting ? changesSince(content.facts, make(content.sheet).facts) : null),
    [content, make, isWaiting],
  );
  if (!content || !sheet) {
    return <PageMessage title={failed ? 'This sheet cannot be shown' : 'Opening…'} text={failed || 'The sheet is on its way.'} />;
  }
  const sent = sheet.kind === 'frames' ? (id: string) => frozenPictureAddress(frozen.id, id) : undefined;
  return (
    <SheetPages
      pages={pages}
      facts={content.facts}
      {...(sent && { addressOf: sent })}
      side={
        <SentPanel
          frozen={frozen}
          sheet={sheet}
          facts={content.facts}
          pages={pages}
          changes={changes}
          addressOf={sent}
          said={answerSaid}
          onSaid={onSaid}
          onDeleted={onDeleted}
        />
      }
    />
  );
}
