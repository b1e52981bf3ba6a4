import { Text } from '@chakra-ui/react';
import { useState } from 'react';
import { useSignIn } from '../../../../data/api/people-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { Button } from '../../../../ui/shell/button';
import { Door, DoorForm } from './door';
import { PasswordRow } from './new-person';

/** Who comes to a workshop that asks for names. */
export function SignInPage() {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const enter = useSignIn();
  return (
    <Door title="Come in" about="Sign in with your name and your password.">
      <DoorForm error={enter.error} onSend={() => enter.mutate({ signIn, password })}>
        <TextRow
          label="Name"
          value={signIn}
          autoComplete="username"
          autoCapitalize="none"
          spellCheck={false}
          autoFocus
          onChange={(event) => setSignIn(event.target.value)}
        />
        <PasswordRow
          label="Password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Button
          type="submit"
          variant="solid"
          size="large"
          disabled={signIn.trim() === '' || password === '' || enter.isPending}
        >
          Sign in
        </Button>
        <Text color="muted" fontSize="sm">
          Forgotten it? An owner of the workshop can make you a link for a new one. What you changed
          without being signed in is kept in this browser.
        </Text>
      </DoorForm>
    </Door>
  );
}
