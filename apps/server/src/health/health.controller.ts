import { Controller, Get } from '@nestjs/common';

@Controller('health')
export class HealthController {
  /** Answers once the database is open and the server takes requests. */
  @Get()
  health(): { status: 'ready' } {
    return { status: 'ready' };
  }
}
