import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { ForgottenWearerView, MentionView } from '@coiled-strand/contract';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { useWearers } from '../../../../data/api/queries';
import { useCustomers, useForgetWearer } from '../../../../data/api/people-queries';
import { ForgetCustomer } from '../../people/forget-customer';
import { HouseList, HousePage, HouseRow, Section } from '../../people/house-page';
import { SaveLink } from '../../../../ui/shell/save-link';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';

/** What is kept of people whom things are made for: handed out to be given to them, or forgotten. */
export function PersonalDataPage() {
  const { data: wearers = [] } = useWearers();
  const { data: customers = [] } = useCustomers();
  const [told, setTold] = useState<{ name: string; view: ForgottenWearerView } | null>(null);
  return (
    <HousePage
      title="Personal data"
      about="Whoever asks what you keep of them gets it as a file; whoever wants to be forgotten is. What the law asks of you where you live may be more than that."
    >
      <Section title="Wearers" about="Girths, allergies, and the pieces made for them.">
        {wearers.length === 0 && <Text>You keep nobody’s measures.</Text>}
        <HouseList>
          {wearers.map(({ id, value }) => (
            <HouseRow key={id} title={value.name}>
              <Save path={`/wearers/${id}/data`} name={value.name} />
              <ForgetWearer
                id={id}
                name={value.name}
                onDone={(view) => setTold({ name: value.name, view })}
              />
            </HouseRow>
          ))}
        </HouseList>
      </Section>
      <Section title="Customers" about="Names, how to reach them, and what they ordered.">
        {customers.length === 0 && <Text>Nobody ordered anything yet.</Text>}
        <HouseList>
          {customers.map(({ id, name, orders }) => (
            <HouseRow
              key={id}
              title={name}
              about={`${orders} ${orders === 1 ? 'order' : 'orders'}`}
            >
              <Save path={`/customers/${id}/data`} name={name} />
              <ForgetCustomer id={id} name={name}>
                Forget
              </ForgetCustomer>
            </HouseRow>
          ))}
        </HouseList>
      </Section>
      {told && <Forgotten {...told} onClose={() => setTold(null)} />}
    </HousePage>
  );
}

function Save({ path, name }: { readonly path: string; readonly name: string }) {
  return (
    <SaveLink path={path} name={`${name}.json`} label={`Save what is kept of ${name}`}>
      <Download size={18} /> Save
    </SaveLink>
  );
}

interface WearerProps {
  readonly id: string;
  readonly name: string;
  readonly onDone: (view: ForgottenWearerView) => void;
}

function ForgetWearer({ id, name, onDone }: WearerProps) {
  const [asking, setAsking] = useState(false);
  const forget = useForgetWearer();
  return (
    <>
      <Button aria-label={`Forget ${name}`} onClick={() => setAsking(true)}>
        Forget
      </Button>
      {asking && (
        <AskDialog
          title={`Forget ${name}?`}
          description="They go from the list of wearers, and their name and allergies from pieces and makes. It cannot be undone. Girths stay in the pieces: the cut lists rest on them, and say nothing of whose they are."
          action="Forget them"
          doing={[forget]}
          onDo={async () => {
            const view = await forget.mutateAsync(id);
            setAsking(false);
            onDone(view);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </>
  );
}

/** Where something lies that still speaks of somebody. */
const WHERE: Readonly<Record<MentionView['in'], (id: string) => string>> = {
  piece: (id) => `/pieces/${id}/layout`,
  make: () => '/book',
  cutting: (id) => `/cutting/${id}`,
  order: (id) => `/orders/${id}`,
};
const WHAT: Readonly<Record<MentionView['in'], string>> = {
  piece: 'Piece',
  make: 'Make',
  cutting: 'Cutting session',
  order: 'Order',
};

interface ForgottenProps {
  readonly name: string;
  readonly view: ForgottenWearerView;
  readonly onClose: () => void;
}

/** What was changed, and words of the maker’s own that may still hold the name. */
function Forgotten({ name, view: { pieces, makes, mentions }, onClose }: ForgottenProps) {
  return (
    <Modal
      open
      onClose={onClose}
      title={`${name} is forgotten`}
      description={`The name went from ${pieces} ${pieces === 1 ? 'piece' : 'pieces'} and ${makes} ${makes === 1 ? 'make' : 'makes'}.`}
      footer={
        <Button variant="solid" onClick={onClose}>
          Done
        </Button>
      }
    >
      {mentions.length > 0 && (
        <>
          <Text>Words that you wrote yourself are left alone. These may still speak of them:</Text>
          <Box as="ul" pl="5" mt="2">
            {mentions.map((mention) => (
              <li key={`${mention.in}${mention.id}`}>
                <ChakraLink asChild textDecoration="underline">
                  <Link to={WHERE[mention.in](mention.id)} onClick={onClose}>
                    {WHAT[mention.in]} {mention.name}
                  </Link>
                </ChakraLink>
                : {mention.text}
              </li>
            ))}
          </Box>
        </>
      )}
    </Modal>
  );
}
