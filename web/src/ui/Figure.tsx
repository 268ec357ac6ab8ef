import { memo } from 'react';

/** A figure in the mono face with its unit in the sans, a thin space between. The classes are the theme's. */
export const Figure = memo(function Figure({ text }: { text: string }) {
  const [figure, ...units] = text.split('\u2009');
  return (
    <span className="figure">
      {figure}
      {units.length > 0 && <span className="unit">{units.join(' ')}</span>}
    </span>
  );
});
