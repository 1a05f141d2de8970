import { Body, Controller, Get, Inject, Param, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { checkWorkpiece, type ShelvedWorkpiece } from '@usual-drag/contract';
import { SaveWorkpieceDto } from '@usual-drag/contract/dto';
import { accept } from '../http/envelope.pipe.ts';
import { WorkpiecesShelf } from './workpieces.shelf.ts';

@ApiTags('workpieces')
@Controller('workpieces')
export class WorkpiecesController {
  constructor(@Inject(WorkpiecesShelf) private readonly shelf: WorkpiecesShelf) {}

  /** Every meter under way, those put away among it. */
  @Get()
  list(): ShelvedWorkpiece[] {
    return this.shelf.list();
  }

  /** Without a revision, a new one; with it, saves an edit: 409 where another was faster. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveWorkpieceDto): ShelvedWorkpiece {
    return this.shelf.save(id, body.revision, accept(checkWorkpiece(body.document), 'document.'));
  }
}
