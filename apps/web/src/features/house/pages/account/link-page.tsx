import { Flex, Link as ChakraLink, Text } from '@chakra-ui/react';
import { PASSWORD, type LinkView } from '@coiled-strand/contract';
import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { ApiError } from '../../../../data/api/client';
import {
  useJoin,
  useJoinAnew,
  useLink,
  useReset,
  useSession,
} from '../../../../data/api/people-queries';
import { Button } from '../../../../ui/shell/button';
import { Loading } from '../../../../ui/shell/states';
import { ROLE_WORDS } from '../../people/role-words';
import { Door, DoorForm, faultAt } from './door';
import { isSaid, NewPersonFields, NOBODY, PasswordRow } from './new-person';

/**
 * Where a link leads that an owner made. What it opens stands behind the #, which no browser sends to a server and no
 * log holds.
 */
export function LinkPage() {
  const { hash } = useLocation();
  const token = hash.slice(1);
  const link = useLink(token);
  if (link.error || token === '') {
    return (
      <Door title={link.error?.message ?? 'Something of this link is missing'}>
        <Text mb="5">
          {link.error instanceof ApiError
            ? link.error.body.remedy
            : 'Open the whole link, with what stands behind the #.'}
        </Text>
        <Button asChild>
          <Link to="/">To the workshop</Link>
        </Button>
      </Door>
    );
  }
  if (!link.data) return <Loading what="Looking at the link" />;
  return link.data.kind === 'invitation' ? (
    <Invitation link={link.data} token={token} />
  ) : (
    <NewPassword link={link.data} token={token} />
  );
}

interface Props {
  readonly link: LinkView;
  readonly token: string;
}

function Invitation({ link: { workshop, role, by }, token }: Props) {
  const navigate = useNavigate();
  const session = useSession();
  const [person, setPerson] = useState(NOBODY);
  const anew = useJoinAnew();
  const asMyself = useJoin();
  const home = () => void navigate('/');
  // At an open workshop nobody has a name yet to come with.
  const me = session.data?.open === false ? session.data.person : null;
  const [other, setOther] = useState(false);
  return (
    <Door
      title={`Come to ${workshop ?? 'the workshop'}`}
      about={`${by} invites you as ${role === null ? 'a guest' : ROLE_WORDS[role].a}. ${role === null ? '' : ROLE_WORDS[role].may}`}
    >
      {me && !other ? (
        <DoorForm
          error={asMyself.error}
          onSend={() => asMyself.mutate({ token }, { onSuccess: home })}
        >
          <Flex gap="3" flexWrap="wrap">
            <Button type="submit" variant="solid" size="large" disabled={asMyself.isPending}>
              Join as {me.name}
            </Button>
            <Button size="large" onClick={() => setOther(true)}>
              As somebody else
            </Button>
          </Flex>
        </DoorForm>
      ) : (
        <DoorForm
          error={anew.error}
          onSend={() => anew.mutate({ token, ...person }, { onSuccess: home })}
        >
          <NewPersonFields person={person} onChange={setPerson} error={anew.error} />
          <Button
            type="submit"
            variant="solid"
            size="large"
            disabled={!isSaid(person) || anew.isPending}
          >
            Join
          </Button>
          <Text color="muted" fontSize="sm">
            Do you have an account here already?{' '}
            <ChakraLink asChild textDecoration="underline">
              <Link to="/">Sign in first</Link>
            </ChakraLink>
            , then open this link again.
          </Text>
        </DoorForm>
      )}
    </Door>
  );
}

function NewPassword({ link: { signIn, by }, token }: Props) {
  const navigate = useNavigate();
  const [password, setPassword] = useState('');
  const reset = useReset();
  return (
    <Door
      title="A new password"
      about={`${by} made this link for ${signIn ?? 'you'}. Wherever you are signed in now, you are signed out.`}
    >
      <DoorForm
        error={reset.error}
        onSend={() => reset.mutate({ token, password }, { onSuccess: () => void navigate('/') })}
      >
        <PasswordRow
          label="New password"
          autoComplete="new-password"
          value={password}
          error={faultAt(reset.error, 'password')}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Button
          type="submit"
          variant="solid"
          size="large"
          disabled={password.length < PASSWORD.least || reset.isPending}
        >
          Keep it and sign in
        </Button>
      </DoorForm>
    </Door>
  );
}
