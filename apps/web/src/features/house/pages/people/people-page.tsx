import { Box, Flex, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { MadeLinkView, MemberView, Role } from '@coiled-strand/contract';
import { KeyRound, UserPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  useInvite,
  useLinkFor,
  useMay,
  usePeople,
  useSendAway,
  useSession,
  useSetRole,
  useWithdraw,
} from '../../../../data/api/people-queries';
import { Choices } from '../../../../ui/fields/choices';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { HouseList, HousePage, HouseRow, Section } from '../../people/house-page';
import { ROLE_CHOICES, ROLE_WORDS } from '../../people/role-words';
import { sayWhen } from '../../people/when';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { MadeLink } from './made-link';

/** Who is in the workshop, what each may do, and who is invited. */
export function PeoplePage() {
  const people = usePeople();
  const { data: session } = useSession();
  const owner = useMay('owner');
  const [inviting, setInviting] = useState(false);
  const { data, error } = people;
  const named = session?.open === false;
  return (
    <HousePage
      title="People"
      about={`Who works in ${session?.workshop?.name ?? 'the workshop'}, and what each may do.`}
    >
      {error && <Fault error={error} onRetry={() => void people.refetch()} />}
      {!data && !error && <Loading what="Asking who is in" />}
      {data && (
        <Section title="In the workshop">
          <HouseList>
            {data.members.map((member) => (
              <Member key={member.id} member={member} editable={owner} named={named} />
            ))}
          </HouseList>
          {owner &&
            (named ? (
              <Button variant="solid" mt="5" onClick={() => setInviting(true)}>
                <UserPlus size={18} /> Invite somebody
              </Button>
            ) : (
              <Text mt="5" maxW="60ch">
                <ChakraLink asChild textDecoration="underline">
                  <Link to="/account">Choose a password for yourself</Link>
                </ChakraLink>{' '}
                before you let others in: until then whoever sits at this machine is you.
              </Text>
            ))}
        </Section>
      )}
      {data && data.invitations.length > 0 && <Invited invitations={data.invitations} />}
      {inviting && <InviteDialog onClose={() => setInviting(false)} />}
    </HousePage>
  );
}

interface MemberProps {
  readonly member: MemberView;
  readonly editable: boolean;
  /** Whether people sign in by name here. */
  readonly named: boolean;
}

function Member({ member, editable, named }: MemberProps) {
  const { data: session } = useSession();
  const setRole = useSetRole();
  const away = useSendAway();
  const link = useLinkFor();
  const [asking, setAsking] = useState(false);
  const [made, setMade] = useState<MadeLinkView | null>(null);
  const { id, name, role, signIn, hasPassword } = member;
  const me = session?.person?.id === id;
  const change = (to: string): void =>
    setRole.mutate(
      { id, role: to as Role },
      { onError: (error) => toaster.create({ title: error.message }) },
    );
  return (
    <HouseRow
      title={me ? `${name} (you)` : name}
      about={hasPassword ? `signs in as ${signIn}` : 'has no password yet'}
    >
      {editable ? (
        <Box w="130px">
          <SelectField
            label={`What ${name} may do`}
            hideLabel
            value={role}
            options={ROLE_CHOICES}
            onChange={change}
          />
        </Box>
      ) : (
        <Text>{ROLE_WORDS[role].name}</Text>
      )}
      {editable && !me && named && (
        <>
          {member.linkable && (
            <Button
              aria-label={`A new password for ${name}`}
              disabled={link.isPending}
              onClick={() => link.mutate(id, { onSuccess: setMade })}
            >
              <KeyRound size={18} /> {hasPassword ? 'New password' : 'Password'}
            </Button>
          )}
          <Button aria-label={`Send ${name} away`} onClick={() => setAsking(true)}>
            Send away
          </Button>
        </>
      )}
      {made && (
        <MadeLink
          title={`A link for ${name}`}
          about="With it they choose a new password; wherever they are signed in now, they are signed out then."
          link={made}
          page="reset"
          onClose={() => setMade(null)}
        />
      )}
      {asking && (
        <AskDialog
          title={`Send ${name} away?`}
          description="They cannot come into this workshop any more. What they made and wrote stays."
          action="Send away"
          doing={[away]}
          onDo={async () => {
            await away.mutateAsync(id);
            setAsking(false);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </HouseRow>
  );
}

interface InvitedProps {
  readonly invitations: readonly {
    readonly id: string;
    readonly role: Role;
    readonly who: string;
    readonly until: string;
  }[];
}

function Invited({ invitations }: InvitedProps) {
  const withdraw = useWithdraw();
  return (
    <Section title="Invited" about="Each link lets one person in, once.">
      <HouseList>
        {invitations.map(({ id, role, who, until }) => (
          <HouseRow
            key={id}
            title={who === '' ? 'Somebody' : who}
            about={`as ${ROLE_WORDS[role].a}, until ${sayWhen(until)}`}
          >
            <Button onClick={() => withdraw.mutate(id)} disabled={withdraw.isPending}>
              Withdraw
            </Button>
          </HouseRow>
        ))}
      </HouseList>
    </Section>
  );
}

function InviteDialog({ onClose }: { readonly onClose: () => void }) {
  const [role, setRole] = useState<Role>('maker');
  const [who, setWho] = useState('');
  const [made, setMade] = useState<MadeLinkView | null>(null);
  const invite = useInvite();
  if (made) {
    return (
      <MadeLink
        title={who === '' ? 'A link to come in' : `A link for ${who}`}
        about={`Whoever opens it becomes ${ROLE_WORDS[role].a} of the workshop, once.`}
        link={made}
        page="join"
        onClose={onClose}
      />
    );
  }
  return (
    <AskDialog
      title="Invite somebody"
      action="Make a link"
      doing={[invite]}
      onDo={async () => setMade(await invite.mutateAsync({ role, who }))}
      onClose={onClose}
    >
      <Flex direction="column" gap="4">
        <TextRow
          label="Whom it is for, so that you know it again"
          value={who}
          maxLength={80}
          onChange={(event) => setWho(event.target.value)}
        />
        <Choices label="What they may do" value={role} choices={ROLE_CHOICES} onChange={setRole} />
        <Text color="muted">{ROLE_WORDS[role].may.replace('You', 'They')}</Text>
      </Flex>
    </AskDialog>
  );
}
