import { type DynamicModule, Module } from '@nestjs/common';
import { ACCESS, type Access } from './access.ts';

/** Offers the access to the resources. */
@Module({})
export class AccessModule {
  static with(access: Access): DynamicModule {
    const provided = { provide: ACCESS, useValue: access };
    return { module: AccessModule, global: true, providers: [provided], exports: [provided] };
  }
}
