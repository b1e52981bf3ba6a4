import { PASSWORD, type NewPersonDto } from '@coiled-strand/contract';
import { TextRow } from '../../../../ui/fields/text-row';
import { faultAt } from './door';

export const NOBODY: NewPersonDto = { name: '', signIn: '', password: '' };

/** Whether enough is said to ask the server. */
export const isSaid = ({ name, signIn, password }: NewPersonDto): boolean =>
  name.trim() !== '' && signIn.trim() !== '' && password.length >= PASSWORD.least;

interface Props {
  readonly person: NewPersonDto;
  readonly onChange: (person: NewPersonDto) => void;
  readonly error: Error | null;
}

/** Who somebody is, and what they sign in with. */
export function NewPersonFields({ person, onChange, error }: Props) {
  const row = (key: keyof NewPersonDto) => ({
    value: person[key],
    error: faultAt(error, key),
    onChange: ({ target }: { readonly target: { readonly value: string } }) =>
      onChange({ ...person, [key]: target.value }),
  });
  return (
    <>
      <TextRow label="What you are called" maxLength={80} autoComplete="name" {...row('name')} />
      <TextRow
        label="Name to sign in with"
        maxLength={60}
        autoComplete="username"
        autoCapitalize="none"
        spellCheck={false}
        {...row('signIn')}
      />
      <PasswordRow label="Password" autoComplete="new-password" {...row('password')} />
    </>
  );
}

interface PasswordProps {
  readonly label: string;
  readonly value: string;
  readonly autoComplete: 'new-password' | 'current-password';
  readonly error?: string | undefined;
  readonly onChange: (event: { readonly target: { readonly value: string } }) => void;
}

/** A password: what makes a good one is said where a new one is chosen. */
export function PasswordRow({ label, autoComplete, ...row }: PasswordProps) {
  const fresh = autoComplete === 'new-password';
  return (
    <TextRow
      type="password"
      label={fresh ? `${label}: ${PASSWORD.least} characters or more` : label}
      maxLength={PASSWORD.most}
      autoComplete={autoComplete}
      {...row}
    />
  );
}
