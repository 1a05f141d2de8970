import { copyInstrument, freeId, type KitInstrument } from '@usual-drag/core/instrument';
import { Plus } from 'lucide-react';
import { useUndo } from '../ui/use-undo.ts';
import { toast } from '../ui/toast.ts';
import { useNavigate, useParams } from 'react-router';
import { deleteForGood } from '../api/documents.ts';
import { queries } from '../api/queries.ts';
import { DeleteForGood } from '../documents/delete-for-good.tsx';
import { closeDocument } from '../documents/documents.ts';
import { useDocumentList, useListSaveWords } from '../documents/use-document-list.ts';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import { CalibrationReminder } from './calibration-reminder.tsx';
import { CertificateView } from './certificate-view.tsx';
import { InstrumentCard } from './instrument-card.tsx';
import { InstrumentEditor } from './instrument-editor.tsx';
import { KitFiles } from './kit-files.tsx';

/** The instruments at hand: a card each, and everything about the one that is taken out. */
export function KitPage() {
  const { instrumentId, sheet } = useParams();
  const navigate = useNavigate();
  const { list, error, save, add, undo, redo } = useDocumentList('instruments');
  const kit = list?.map(({ document }) => document) ?? [];
  const chosen = kit.find(({ id }) => id === instrumentId) ?? kit[0];
  const words = useListSaveWords('instruments');
  useUndo('kit', chosen && (() => undo(chosen.id)), chosen && (() => redo(chosen.id)));
  const ids = kit.map(({ id }) => id);
  const open = (id: string): void => void navigate(`/kit/${encodeURIComponent(id)}`);
  const begin = (display: 'analogue' | 'digital'): void => {
    const id = freeId(`${display}-meter`, ids);
    add({ id, name: `New ${display} multimeter`, display, functions: [] });
    open(id);
  };
  const copy = (kept: KitInstrument): void => {
    const made = copyInstrument(kept, ids);
    add(made);
    open(made.id);
  };
  const archive = (kept: KitInstrument): void => {
    const { retired: was, ...rest } = kept;
    save(was ? rest : { ...rest, retired: true });
    offer(`${kept.name ?? kept.id} ${was ? 'restored' : 'archived; jobs keep their copies'}.`, 'Undo', () =>
      undo(kept.id),
    );
  };
  const remove = (kept: KitInstrument): void =>
    void deleteForGood('instruments', kept.id)
      .then(() => {
        closeDocument('instruments', kept.id);
        open('');
      })
      .catch((fault: Error) => toast.error(fault.message))
      .finally(() => void queries.invalidateQueries({ queryKey: ['instruments'] }));
  const inUse = kit.filter(({ retired }) => !retired);
  const archived = kit.filter((kept) => kept.retired);
  const cards = (instruments: readonly KitInstrument[], label: string) => (
    <ul aria-label={label} className="flex flex-col gap-2">
      {instruments.map((kept) => (
        <li key={kept.id}>
          <InstrumentCard kept={kept} chosen={kept === chosen} onChoose={() => open(kept.id)} />
        </li>
      ))}
    </ul>
  );
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <aside
        aria-label="Instruments"
        className="relative flex shrink-0 flex-col gap-3 overflow-y-auto border-line p-4 lg:w-[22rem] lg:border-r"
      >
        <div className="flex flex-wrap items-center gap-2">
          <h1 className="grow text-[24px] font-bold">Kit</h1>
          <KitFiles kit={kit} />
        </div>
        {error && <p role="alert">{error.message} The kit is loaded when it does.</p>}
        <CalibrationReminder kit={kit} />
        {list && (
          <>
            {cards(inUse, 'Instruments')}
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => begin('digital')}>
                <Plus aria-hidden size={16} /> Digital
              </Button>
              <Button onClick={() => begin('analogue')}>
                <Plus aria-hidden size={16} /> Analogue
              </Button>
            </div>
          </>
        )}
        {archived.length > 0 && (
          <>
            <h2 className="mt-2 text-[14px] text-soft">Archived: not offered for new jobs</h2>
            {cards(archived, 'Archived instruments')}
          </>
        )}
      </aside>
      <main className="relative min-h-0 min-w-0 grow overflow-y-auto bg-sheet p-5">
        {chosen && sheet === 'certificates' && (
          <CertificateView key={chosen.id} kept={chosen} onChange={save} onUndo={() => undo(chosen.id)} />
        )}
        {chosen && sheet !== 'certificates' && (
          <InstrumentEditor
            key={chosen.id}
            kept={chosen}
            words={words}
            onChange={save}
            onCopy={() => copy(chosen)}
            onArchive={() => archive(chosen)}
          >
            {chosen.retired && <DeleteForGood name={chosen.name ?? chosen.id} onDelete={() => remove(chosen)} />}
          </InstrumentEditor>
        )}
      </main>
    </div>
  );
}
