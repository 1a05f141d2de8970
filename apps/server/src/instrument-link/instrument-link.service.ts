import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { InstrumentReading } from '@usual-drag/contract';
import type { ReadInstrumentDto } from '@usual-drag/contract/dto';
import {
  findRange,
  instrumentForJob,
  rangesOf,
  readAddress,
  settledRange,
  type KitInstrument,
  type Range,
} from '@usual-drag/core/instrument';
import { observedNumber } from '@usual-drag/core/readings';
import { networkMeant } from '@usual-drag/core/job';
import type { Subscription } from 'rxjs';
import { Repositories } from '../documents/repositories.ts';
import { findDocument } from '../documents/save-document.ts';
import { LinkFailure } from './link-failure.ts';
import { ScpiInstrument, type Timeouts } from './scpi-instrument.ts';

/** A reading of many digits takes its time. */
const timeouts: Timeouts = { connectMs: 3000, answerMs: 3000, readingMs: 6000 };

/** The instruments of the kit that can be asked for their reading; addresses come from the kit alone. */
@Injectable()
export class InstrumentLinkService implements OnModuleDestroy {
  readonly #open = new Map<string, ScpiInstrument>();

  readonly #following: Subscription;

  constructor(@Inject(Repositories) private readonly repositories: Repositories) {
    this.#following = repositories.changes
      .of(['instruments'])
      .subscribe(() => void this.#closeFormer().catch(() => undefined));
  }

  /** @throws LinkFailure if there is no value to be had; a refusal if there is no such instrument */
  async read(id: string, asked: ReadInstrumentDto): Promise<InstrumentReading> {
    const { document: kept } = await findDocument(this.repositories.instruments, id);
    const address = kept.address === undefined ? null : readAddress(kept.address);
    if (!address)
      throw new LinkFailure(
        `${kept.name ?? id} has no address in the kit: type what its display says, or give it one.`,
      );
    const range = kept.autoRange
      ? null
      : (findRange(instrumentForJob(kept), asked.quantity, asked.range)?.fullScale ?? null);
    const { observation, sent, identity } = await this.#at(kept.address!).read({
      quantity: asked.quantity,
      range,
      ...(asked.jobId !== undefined && { leads: () => this.#leads(asked.jobId!, asked.place) }),
    });
    return { ...observation, sent, identity, range: settled(kept, asked, observedNumber(observation)) ?? asked.range };
  }

  /** Closes the connections to addresses that no instrument of the kit has any more. */
  async #closeFormer(): Promise<void> {
    if (this.#open.size === 0) return;
    const { kept } = await this.repositories.instruments.list();
    const addresses = new Set(kept.filter(({ archivedAt }) => archivedAt === null).map((one) => one.document.address));
    for (const [address, instrument] of this.#open)
      if (!addresses.has(address)) {
        instrument.close();
        this.#open.delete(address);
      }
  }

  onModuleDestroy(): void {
    this.#following.unsubscribe();
    for (const instrument of this.#open.values()) instrument.close();
  }

  #at(address: string): ScpiInstrument {
    const known = this.#open.get(address) ?? new ScpiInstrument(readAddress(address)!, timeouts);
    this.#open.set(address, known);
    return known;
  }

  /** Places the leads of a simulated instrument in a job's circuit. */
  async #leads(jobId: string, place: object | undefined): Promise<string[]> {
    const { document } = await findDocument(this.repositories.jobs, jobId);
    const network = JSON.stringify(networkMeant(document));
    return [`SIM:NETW ${network}`, ...(place ? [`SIM:PLAC ${JSON.stringify(place)}`] : [])];
  }
}

/** The range that an auto-ranging instrument was on for a value. */
function settled(kept: KitInstrument, { quantity }: ReadInstrumentDto, value: number | null): string | null {
  if (!kept.autoRange || value === null || quantity === 'resistance') return null;
  const readings = rangesOf(kept, quantity).map((range: Range) => ({ range, indicated: value }));
  return settledRange(readings, kept.autoRange)?.range.id ?? null;
}
