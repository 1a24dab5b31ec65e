import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { useNotice } from '../doing/notices';
import { placeOf, useDropped, type Place } from '../doing/dropped';

const WORDS = {
  '/show': 'A show file: it is opened',
  '/patch': 'Paperwork: it is compared with the patch',
  '/scene': 'A scene file: it is compared with the patch, and what stands around goes on the plan',
  '/profiles': 'A fixture file: its profile goes into the library',
};

const GOES: Partial<Record<Place, string>> = { '/patch': '/patch?bring', '/scene': '/patch?view=paper' };

/** A file dropped anywhere goes to the page that reads it; text that is dragged within the page does not count. */
export function DropAnywhere() {
  const [over, setOver] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    const files = (e: DragEvent) => e.dataTransfer?.types.includes('Files') ?? false;
    const drag = (e: DragEvent) => {
      if (!files(e)) return;
      e.preventDefault();
      setOver(true);
    };
    const leave = (e: DragEvent) => e.relatedTarget === null && setOver(false);
    const drop = (e: DragEvent) => {
      setOver(false);
      const files = [...(e.dataTransfer?.files ?? [])];
      const file = files[0];
      if (!file || e.defaultPrevented) return;
      e.preventDefault();
      const place = placeOf(file.name);
      if (!place) {
        const words = `“${file.name}” is none of the files that can be opened: show files (.loculus), paperwork (.csv, .xlsx), scene files (.mvr), fixture files (.gdtf).`;
        useNotice.setState({ notice: { words, problems: [] } });
        return;
      }
      useDropped.setState({ files });
      void navigate(GOES[place] ?? place);
    };
    window.addEventListener('dragover', drag);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', drag);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, [navigate]);
  if (!over) return null;
  return (
    <div
      role="status"
      className="pointer-events-none fixed inset-3 z-50 flex flex-col items-center justify-center gap-1 rounded-lg border-2 border-dashed border-petrol bg-sheet/90"
    >
      <p className="font-serif text-[22px] font-semibold">Drop it here</p>
      {Object.values(WORDS).map((w) => (
        <p key={w} className="text-ink-2">
          {w}
        </p>
      ))}
    </div>
  );
}
