import { IsIn } from 'class-validator';
import { BeadDto } from './bead.dto.js';
import { CordDto } from './cord.dto.js';
import { IsA, IsName, IsOneOf } from './rules.js';

export const THING_KINDS = ['cord', 'bead', 'finding'] as const;

/** What all things have; one of an unknown kind is checked by this alone, and refused for its kind. */
export class ThingDto {
  @IsIn(THING_KINDS)
  kind!: (typeof THING_KINDS)[number];
}

export class CordThingDto extends ThingDto {
  declare kind: 'cord';

  @IsA(() => CordDto)
  cord!: CordDto;
}

export class BeadThingDto extends ThingDto {
  declare kind: 'bead';

  @IsA(() => BeadDto)
  bead!: BeadDto;
}

export class FindingThingDto extends ThingDto {
  declare kind: 'finding';

  /** As the needs of a plan call it. */
  @IsName(200)
  name!: string;
}

/** A cord, a bead or a finding, checked by the rules of its kind. */
export const IsThing = (): PropertyDecorator =>
  IsOneOf(() => ThingDto, {
    property: 'kind',
    subTypes: [
      { name: 'cord', value: CordThingDto },
      { name: 'bead', value: BeadThingDto },
      { name: 'finding', value: FindingThingDto },
    ],
  });
