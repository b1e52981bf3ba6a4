import { Box, Flex } from '@chakra-ui/react';
import { PASSWORD, type PersonView } from '@coiled-strand/contract';
import { Download, LogOut } from 'lucide-react';
import { useState } from 'react';
import {
  useChangeAccount,
  useChangePassword,
  useDevices,
  useEndDevice,
  useForgetMe,
  useSession,
  useSignOut,
  useSignOutEverywhere,
} from '../../../../data/api/people-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { HouseList, HousePage, HouseRow, Section } from '../../people/house-page';
import { sayAgo } from '../../people/when';
import { SaveLink } from '../../../../ui/shell/save-link';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { toaster } from '../../../../ui/shell/toaster';
import { agentText } from './agent-text';
import { DoorForm, faultAt } from './door';
import { PasswordRow } from './new-person';
import { Workshops } from './workshops';

/** Who one is here: name, password, devices, workshops. */
export function AccountPage() {
  const { data: session } = useSession();
  const out = useSignOut();
  if (!session?.person) return null;
  const { person, open } = session;
  return (
    <HousePage
      title={person.name}
      about={
        open
          ? 'Nobody has a password yet: whoever sits at this machine works here as you. No other machine gets in.'
          : `You sign in as ${person.signIn}.`
      }
    >
      {open && <Password person={person} />}
      <Name key={person.name + person.signIn} person={person} />
      {!open && (
        <>
          <Password person={person} />
          <Devices />
        </>
      )}
      <Section title="Workshops">
        <Workshops />
      </Section>
      <Section
        title="What is kept of you"
        about="Your name, what you sign in with, your devices, and what you did to orders, stash and accounts."
      >
        <Flex gap="3" flexWrap="wrap">
          <SaveLink path="/account/data" name="my-data.json">
            <Download size={18} /> Save it
          </SaveLink>
          {!open && <ForgetMe />}
        </Flex>
      </Section>
      {!open && (
        <Box>
          <Button variant="solid" onClick={() => out.mutate(undefined)} disabled={out.isPending}>
            <LogOut size={18} /> Sign out
          </Button>
        </Box>
      )}
    </HousePage>
  );
}

function Name({ person }: { readonly person: PersonView }) {
  const [name, setName] = useState(person.name);
  const [signIn, setSignIn] = useState(person.signIn);
  const change = useChangeAccount();
  const changed = name !== person.name || signIn !== person.signIn;
  return (
    <Section title="Your name">
      <Box maxW="420px">
        <DoorForm error={change.error} onSend={() => change.mutate({ name, signIn })}>
          <TextRow
            label="What you are called"
            value={name}
            maxLength={80}
            autoComplete="name"
            error={faultAt(change.error, 'name')}
            onChange={(event) => setName(event.target.value)}
          />
          <TextRow
            label="Name to sign in with"
            value={signIn}
            maxLength={60}
            autoComplete="username"
            autoCapitalize="none"
            spellCheck={false}
            error={faultAt(change.error, 'signIn')}
            onChange={(event) => setSignIn(event.target.value)}
          />
          {changed && (
            <Button
              type="submit"
              variant="solid"
              disabled={name.trim() === '' || signIn.trim() === '' || change.isPending}
            >
              Keep it
            </Button>
          )}
        </DoorForm>
      </Box>
    </Section>
  );
}

function Password({ person }: { readonly person: PersonView }) {
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const change = useChangePassword();
  const send = (): void =>
    change.mutate(person.hasPassword ? { current, password } : { password }, {
      onSuccess: () => {
        setCurrent('');
        setPassword('');
        toaster.create({ title: 'You sign in with it from now on.' });
      },
    });
  return (
    <Section
      title={person.hasPassword ? 'Password' : 'Choose a password'}
      about={
        person.hasPassword
          ? 'With a new one your other devices are signed out.'
          : `From then on everybody signs in by name, you as ${person.signIn}. Only then others can be let in, and the program may be reached from other machines.`
      }
    >
      <Box maxW="420px">
        <DoorForm error={change.error} onSend={send}>
          {person.hasPassword && (
            <PasswordRow
              label="Present password"
              autoComplete="current-password"
              value={current}
              onChange={(event) => setCurrent(event.target.value)}
            />
          )}
          <PasswordRow
            label="New password"
            autoComplete="new-password"
            value={password}
            error={faultAt(change.error, 'password')}
            onChange={(event) => setPassword(event.target.value)}
          />
          <Box>
            <Button
              type="submit"
              variant="solid"
              disabled={
                password.length < PASSWORD.least ||
                (person.hasPassword && current === '') ||
                change.isPending
              }
            >
              {person.hasPassword ? 'Change it' : 'Choose it'}
            </Button>
          </Box>
        </DoorForm>
      </Box>
    </Section>
  );
}

/** Where one is signed in. */
function Devices() {
  const { data = [] } = useDevices();
  const end = useEndDevice();
  const everywhere = useSignOutEverywhere();
  return (
    <Section title="Where you are signed in">
      <HouseList>
        {data.map(({ id, agent, address, seenAt, here }) => (
          <HouseRow
            key={id}
            title={agentText(agent)}
            about={`${address}, ${here ? 'this one' : `seen ${sayAgo(seenAt)}`}`}
          >
            {!here && (
              <Button onClick={() => end.mutate(id)} disabled={end.isPending}>
                Sign it out
              </Button>
            )}
          </HouseRow>
        ))}
      </HouseList>
      <Button mt="4" onClick={() => everywhere.mutate(undefined)} disabled={everywhere.isPending}>
        Sign out everywhere
      </Button>
    </Section>
  );
}

function ForgetMe() {
  const [asking, setAsking] = useState(false);
  const [password, setPassword] = useState('');
  const forget = useForgetMe();
  return (
    <>
      <Button onClick={() => setAsking(true)}>Take my account away</Button>
      {asking && (
        <AskDialog
          title="Take your account away?"
          description="It cannot be brought back. What you made and wrote stays with the workshops; your name goes from what you did."
          action="Take it away"
          doing={[forget]}
          ready={password !== ''}
          onDo={() => forget.mutateAsync(password).then(() => undefined)}
          onClose={() => setAsking(false)}
        >
          <PasswordRow
            label="Your password"
            autoComplete="current-password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </AskDialog>
      )}
    </>
  );
}
