import { Inject, Injectable } from '@nestjs/common';
import { checkKit, checkKitInstrument, type ShelvedInstrument } from '@usual-drag/contract';
import { accept } from '../http/envelope.pipe.ts';
import { InstrumentsShelf } from './instruments.shelf.ts';

@Injectable()
export class InstrumentsService {
  constructor(@Inject(InstrumentsShelf) private readonly shelf: InstrumentsShelf) {}

  list(): ShelvedInstrument[] {
    return this.shelf.list();
  }

  /** Puts a new instrument on the shelf, or saves one that was edited from `revision`. */
  save(id: string, revision: number | undefined, document: unknown): ShelvedInstrument {
    return this.shelf.save(id, revision, accept(checkKitInstrument(document), 'document.'));
  }

  /** Takes a kit file: new instruments are added, those that are there get a new revision. All of it or nothing. */
  importKit(file: unknown): ShelvedInstrument[] {
    const { instruments } = accept(checkKit(file), '');
    return this.shelf.together(() =>
      instruments.map((instrument) => {
        const there = this.shelf.find(instrument.id);
        return (there ? this.shelf.replace(there.revision, instrument) : this.shelf.insert(instrument))!;
      }),
    );
  }
}
