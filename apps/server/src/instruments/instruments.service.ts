import { ConflictException, Inject, Injectable, NotFoundException } from '@nestjs/common';
import { checkKit, checkKitInstrument, type ShelvedInstrument } from '@usual-drag/contract';
import { accept, refuse } from '../http/envelope.pipe.ts';
import { InstrumentsRepository } from './instruments.repository.ts';

@Injectable()
export class InstrumentsService {
  constructor(@Inject(InstrumentsRepository) private readonly repository: InstrumentsRepository) {}

  list(): ShelvedInstrument[] {
    return this.repository.list();
  }

  /** Puts a new instrument on the shelf, or saves one that was edited from `revision`. */
  save(id: string, revision: number | undefined, document: unknown): ShelvedInstrument {
    const instrument = accept(checkKitInstrument(document), 'document.');
    if (instrument.id !== id)
      throw refuse([{ path: 'document.id', message: `The instrument is called ${instrument.id}, the address ${id}.` }]);
    const saved =
      revision === undefined ? this.repository.insert(instrument) : this.repository.replace(revision, instrument);
    if (saved) return saved;
    const current = this.repository.find(id);
    if (!current) throw new NotFoundException(`There is no instrument ${id} on the shelf.`);
    throw new ConflictException({
      message: `${instrument.name ?? id} has been changed since in another window.`,
      details: { current },
    });
  }

  /** Takes a kit file: new instruments are added, those that are there get a new revision. All of it or nothing. */
  importKit(file: unknown): ShelvedInstrument[] {
    const { instruments } = accept(checkKit(file), '');
    return this.repository.together(() =>
      instruments.map((instrument) => {
        const there = this.repository.find(instrument.id);
        return (there ? this.repository.replace(there.revision, instrument) : this.repository.insert(instrument))!;
      }),
    );
  }
}
