import { ConflictException, Inject, Injectable } from '@nestjs/common';
import { checkKit, checkKitInstrument, type StoredDocument } from '@usual-drag/contract';
import { freeId, type KitInstrument } from '@usual-drag/core/instrument';
import { sameValue } from '@usual-drag/core/job';
import { documentText } from '../database/document-text.ts';
import { Repositories } from '../documents/repositories.ts';
import { answer, saveNamed } from '../documents/save-document.ts';
import { accept } from '../http/envelope.pipe.ts';

/** Choices for an instrument that differs between the kit and a file. */
export const importChoices = ['keep', 'replace', 'copy'] as const;
export type ImportChoice = (typeof importChoices)[number];

@Injectable()
export class InstrumentsService {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  async list(): Promise<StoredDocument<KitInstrument>[]> {
    return (await this.repositories.instruments.list()).kept.map(answer);
  }

  /** Adds a new instrument, or saves one that was edited from `revision`. */
  save(id: string, revision: number | undefined, document: unknown): Promise<StoredDocument<KitInstrument>> {
    const instrument = accept(checkKitInstrument(document), 'document.');
    return saveNamed(this.repositories.instruments, id, revision, instrument);
  }

  /**
   * Takes a kit file: new instruments are added; those that the kit has otherwise are kept, replaced or added as copies, as
   * chosen. All of it or nothing.
   *
   * @returns the instruments that were added or changed
   * @throws a refusal: 409 with their ids where the kit has some otherwise and nothing was chosen
   */
  async importKit(file: unknown, choice: ImportChoice | undefined): Promise<StoredDocument<KitInstrument>[]> {
    const { instruments } = accept(checkKit(file), '');
    const repository = this.repositories.instruments;
    const { kept } = await repository.list();
    const there = new Map(kept.map((stored) => [stored.id, stored]));
    const differing = instruments.filter(({ id }) => there.has(id));
    const changed = differing.filter((instrument) => !sameValue(there.get(instrument.id)!.document, instrument));
    if (changed.length > 0 && choice === undefined)
      throw new ConflictException({
        message: `${changed.length === 1 ? 'An instrument' : `${changed.length} instruments`} of this file differ${changed.length === 1 ? 's' : ''} from the kit's: ${changed.map(({ id, name }) => name ?? id).join('; ')}. Keep yours, replace, or add copies.`,
        details: { conflicts: changed.map(({ id }) => id) },
      });
    const at = new Date();
    const ids = [...there.keys(), ...instruments.map(({ id }) => id)];
    const copyOf = (instrument: KitInstrument): KitInstrument => {
      const id = freeId(instrument.id, ids);
      ids.push(id);
      return { ...instrument, id };
    };
    const added = [
      ...instruments.filter(({ id }) => !there.has(id)),
      ...(choice === 'copy' ? changed.map(copyOf) : []),
    ];
    const replaced = choice === 'replace' ? changed : [];
    if (added.length + replaced.length === 0) return [];
    await this.repositories.database.atomically((query) => [
      ...added.map((instrument) => repository.insertion(query, instrument.id, documentText(instrument), at, 1)),
      ...replaced.flatMap((instrument) =>
        repository.replacement(query, instrument.id, there.get(instrument.id)!.revision, documentText(instrument), at),
      ),
    ]);
    this.repositories.changes.announce({ kind: 'instruments', id: null, revision: null });
    const touched = new Set([...added, ...replaced].map(({ id }) => id));
    return (await this.list()).filter(({ id }) => touched.has(id));
  }
}
