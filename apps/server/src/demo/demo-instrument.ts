import type { Server } from 'node:net';
import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import { builtInKit, instrumentForJob, readAddress } from '@usual-drag/core/instrument';
import { floatLevelDivider } from '@usual-drag/core/job';
import { Repositories } from '../documents/repositories.ts';
import { simulatedMultimeter } from '../stand-in/simulated-multimeter-kit.ts';
import { SimulatedMultimeter } from '../stand-in/simulated-multimeter.ts';
import { serveStandIn } from '../stand-in/stand-in-server.ts';

/** The demo's simulated multimeter: it runs as long as the server does, at the address that the kit has for it. */
@Injectable()
export class DemoInstrument implements OnModuleDestroy {
  #server: Server | null = null;

  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Starts it if the kit has it, at its former port if that is free; its address is stored in the kit. */
  async start(): Promise<void> {
    const { instruments } = this.repositories;
    const kept = await instruments.find(simulatedMultimeter.id);
    if (!kept) return;
    const divider = floatLevelDivider(builtInKit.map(instrumentForJob));
    const serve = (port: number) => serveStandIn(() => new SimulatedMultimeter(divider, 1), port);
    const former = readAddress(kept.document.address ?? '')?.port ?? 0;
    const { port, server } = await serve(former).catch(() => serve(0));
    this.#server = server;
    const address = `tcp://127.0.0.1:${port}`;
    if (kept.document.address !== address)
      await instruments.replace(kept.id, kept.revision, { ...kept.document, address });
  }

  onModuleDestroy(): void {
    this.#server?.close();
  }
}
