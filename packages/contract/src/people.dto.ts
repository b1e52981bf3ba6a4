import { Transform } from 'class-transformer';
import { IsIn, IsOptional, IsUUID, Matches } from 'class-validator';
import { ROLES, type Role } from './roles.js';
import { IsCount, IsName, IsText } from './rules.js';

export const PASSWORD = { least: 10, most: 200 } as const;

const IsPassword = (): PropertyDecorator => (target, key) => {
  IsName(PASSWORD.most)(target, key);
  Matches(new RegExp(`^[^]{${PASSWORD.least},}$`, 'u'), {
    message: `must have ${PASSWORD.least} characters or more; a few words that do not belong together are good`,
  })(target, key);
};

/** How somebody, or a workshop, is called: with letters, and nothing that is not seen or turns the line round. */
const IsCalled =
  (longest: number): PropertyDecorator =>
  (target, key) => {
    IsName(longest)(target, key);
    Matches(/^(?=[^]*[\p{L}\p{N}])[^\p{C}\p{Zl}\p{Zp}]+$/u, {
      message: 'must have a letter or a digit in it, and no signs that cannot be seen',
    })(target, key);
  };

/** The name one signs in with: told apart without regard to capitals. */
const IsSignIn = (): PropertyDecorator => (target, key) => {
  Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value))(
    target,
    key,
  );
  Matches(/^[\p{L}\p{N}](?:[\p{L}\p{N}._@+-]{0,58}[\p{L}\p{N}])?$/u, {
    message: 'must be 1 to 60 letters and digits, with . _ @ + - between them and no spaces',
  })(target, key);
};

export class SignInDto {
  @IsName(200)
  signIn!: string;

  @IsName(1000)
  password!: string;
}

/** Somebody who is to have an account. */
export class NewPersonDto {
  /** What they are called. */
  @IsCalled(80)
  name!: string;

  @IsSignIn()
  signIn!: string;

  @IsPassword()
  password!: string;
}

/** The first of all: a workshop and its owner. */
export class SetUpDto extends NewPersonDto {
  @IsCalled(80)
  workshop!: string;
}

export class NewWorkshopDto {
  @IsCalled(80)
  name!: string;
}

export class ChooseWorkshopDto {
  @IsUUID()
  workshop!: string;
}

export class ConfirmDto {
  /** One's own, once more, before something that cannot be undone. */
  @IsName(1000)
  password!: string;
}

export class AccountDto {
  @IsCalled(80)
  name!: string;

  @IsSignIn()
  signIn!: string;
}

export class PasswordDto {
  /** Left out only by one who has none yet. */
  @IsOptional()
  @IsName(1000)
  current?: string;

  @IsPassword()
  password!: string;
}

export class RoleDto {
  @IsIn(ROLES)
  role!: Role;
}

export class InvitationDto extends RoleDto {
  /** Whom it is for, in words of the one who invites. */
  @IsOptional()
  @IsText(80)
  who?: string;
}

/** What stands behind the # of a link. */
export class LinkDto {
  @IsName(100)
  token!: string;
}

export class JoinDto extends NewPersonDto {
  @IsName(100)
  token!: string;
}

export class ResetDto extends LinkDto {
  @IsPassword()
  password!: string;
}

/** How often a copy is made, and how many are kept. */
export const BACKUP_EVERY = ['never', 'day', 'week'] as const;
export type BackupEvery = (typeof BACKUP_EVERY)[number];

/** Which backup is to take the place of what is here: its checksum, as it was told when it was looked at. */
export class RestoreQueryDto {
  @IsOptional()
  @IsText(100)
  replace?: string;
}

export class BackupPlanDto {
  @IsIn(BACKUP_EVERY)
  every!: BackupEvery;

  /** Hour of the day, in the workshop's zone. */
  @IsCount(0, 23)
  hour!: number;

  /** The newest so many are kept. */
  @IsCount(1, 100)
  keep!: number;
}
