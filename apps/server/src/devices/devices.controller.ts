import { Controller, Get, HttpCode, Inject, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { DevicesAnswer } from '@usual-drag/contract';
import { toString as qrCode } from 'qrcode';
import { ACCESS, type Access } from '../sign-in/access.ts';

@ApiTags('devices')
@Controller('devices')
export class DevicesController {
  constructor(@Inject(ACCESS) private readonly access: Access) {}

  /** Addresses for other devices; none if no device can connect. */
  @Get()
  async read(): Promise<DevicesAnswer> {
    const { sessions } = this.access;
    const { isPrivate, addresses } = this.access.listening();
    const shown = sessions === null ? [] : addresses;
    return {
      isOpen: sessions !== null,
      isPrivate,
      addresses: await Promise.all(
        shown.map(async (address) => ({ address, code: await qrCode(address, { type: 'svg', margin: 2 }) })),
      ),
    };
  }

  /** Signs every device out, this one too: each has to enter the passphrase again. */
  @Post('sign-out-everywhere')
  @HttpCode(204)
  async signOutEverywhere(): Promise<void> {
    await this.access.sessions?.signOutEverywhere();
  }
}
