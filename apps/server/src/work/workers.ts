import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { WorkLane } from './work-lane.ts';

/**
 * The threads on which the server computes, so that no request waits for the computation of another: what is shown at once,
 * work that a request waits for, and work in the background.
 */
@Injectable()
export class Workers implements OnApplicationShutdown {
  readonly quick = new WorkLane(1000);
  readonly asked = new WorkLane(8);
  readonly background = new WorkLane(100_000);

  onApplicationShutdown(): void {
    for (const lane of [this.quick, this.asked, this.background]) lane.close();
  }
}
