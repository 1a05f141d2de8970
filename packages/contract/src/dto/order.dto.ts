import { ArrayMinSize, ArrayUnique, IsString, MaxLength } from 'class-validator';
import { most } from '../limits.ts';
import { List } from './decorators.ts';
import { SignerDto } from './signer.ts';

/** Ids of an order's jobs, in their sequence. */
const Jobs = (): PropertyDecorator => (target, key) => {
  for (const decorate of [
    List(most.circuits),
    ArrayMinSize(1, { message: 'must have at least one job' }),
    ArrayUnique({ message: 'must have each job once' }),
    IsString({ each: true, message: 'must be ids of jobs' }),
    MaxLength(most.word, { each: true, message: 'must be ids of jobs' }),
  ])
    decorate(target, key);
};

/** The sequence of an order's circuits. */
export class OrderSequenceDto {
  @Jobs()
  jobs!: string[];
}

/** A signature on the report of an order, as the page sends it; `hash` is the order's. */
export class SignOrderDto extends SignerDto {
  @Jobs()
  jobs!: string[];
}
