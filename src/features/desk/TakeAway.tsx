'use client';

import { unitOf, type Trace } from '@/core/base';
import { writeTrace } from '@/core/formats';
import type { Range } from '@/ui/picture/lane';
import { SCALE_FROM_C, SCALE_TO_C } from '@/ui/picture/scale';
import { saveBlob, saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { deskSvg, type DeskPicture } from './deskPicture';
import { visibleTrace } from './visibleTrace';

/** A colour of the page as a file can hold it. The file is on white: dark lamp-light colours are not for it. */
function colourOf(css: string): string {
  const probe = document.createElement('span');
  probe.dataset.theme = 'yard';
  probe.style.color = css;
  document.body.append(probe);
  const found = getComputedStyle(probe).color;
  probe.remove();
  return found;
}

/** A picture of an SVG in pixels, twice as fine as the screen. */
async function rasterised(svg: string): Promise<Blob | null> {
  const image = new Image();
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    await new Promise((resolve, reject) => {
      image.onload = resolve;
      image.onerror = () => reject(new Error('the picture could not be drawn'));
      image.src = url;
    });
    const canvas = document.createElement('canvas');
    canvas.width = 2 * image.width;
    canvas.height = 2 * image.height;
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** The desk to take away: as a picture, as data, on paper. */
export function TakeAway({
  name,
  trace,
  range,
  picture,
}: {
  name: string;
  trace: Trace;
  range: Range;
  picture: () => Omit<DeskPicture, 'figures'>;
}) {
  const { temperature } = useUnits();
  const toast = useToast();
  const svg = () => {
    const unit = unitOf('temperature', temperature);
    const step = temperature === '°F' ? 40 : 20;
    const figures = Array.from({ length: 14 }, (_, i) => (i - 1) * step)
      .map((shown) => ({ at_c: unit.toSi(shown), label: `${shown} ${temperature}` }))
      .filter(({ at_c }) => at_c > SCALE_FROM_C && at_c < SCALE_TO_C);
    return deskSvg({ ...picture(), figures }, colourOf);
  };
  const png = async () => {
    const blob = await rasterised(svg());
    if (blob) saveBlob(`${name}.png`, blob);
    else
      toast({ kind: 'error', text: 'The picture could not be made: this browser gives no room for it. Take the SVG.' });
  };
  return (
    <div className="flex gap-1 print:hidden" role="group" aria-label="Take away">
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => void png()}>
        PNG
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => saveFile(`${name}.svg`, svg(), 'image/svg+xml')}
      >
        SVG
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => saveFile(`${name}.csv`, writeTrace(visibleTrace(trace, range)), 'text/csv')}
      >
        CSV
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => window.print()}>
        Print
      </button>
    </div>
  );
}
