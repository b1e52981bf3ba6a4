import { Flex, Grid, Text } from '@chakra-ui/react';
import type { PieceView } from '@coiled-strand/contract';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useAddPiece, usePieceQuery } from '../../../../data/api/queries';
import { useGoBack, useMakesOf, useVersions } from '../../../../data/api/version-queries';
import { SelectField } from '../../../../ui/fields/select-field';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';
import { sayWhen } from '../../../house/people/when';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { Compared } from './compared';
import { MomentList } from './moment-list';
import { momentsOf, NOW, type Moment } from './moments';
import { NameDialog } from './name-dialog';

/** A piece through time: what it was, what has changed since, and the way back. */
export function VersionsPage() {
  const { id = '' } = useParams();
  const piece = usePieceQuery(id);
  const versions = useVersions(id);
  const makes = useMakesOf(id);
  const failed = [piece, versions, makes].find(({ error }) => error !== null);
  return (
    <Page>
      {piece.data && versions.data && makes.data ? (
        <Versions view={piece.data} moments={momentsOf(piece.data, versions.data, makes.data)} />
      ) : failed?.error ? (
        <Fault error={failed.error} onRetry={() => void failed.refetch()} />
      ) : (
        <Loading what="Looking at what it was" />
      )}
    </Page>
  );
}

interface Props {
  readonly view: PieceView;
  readonly moments: readonly Moment[];
}

function Versions({ view, moments }: Props) {
  const { asked, ask } = useAsked();
  const [naming, setNaming] = useState<Moment | null>(null);
  const [now, ...before] = moments as readonly [Moment, ...Moment[]];
  const find = (name: string): Moment | undefined => moments.find(({ id }) => id === asked(name));
  const one = find('of') ?? before[0] ?? now;
  const other = find('beside') ?? now;
  return (
    <>
      <PageHead
        title={`${view.piece.name}, through time`}
        about="Kept by itself whenever you come back to a piece and change it, when it is made, and whenever you say so."
      >
        <Button asChild>
          <Link to={`/pieces/${view.id}/layout`}>To the piece</Link>
        </Button>
        <ForMakers>
          <Button variant="solid" onClick={() => setNaming(now)}>
            Keep it as it is now
          </Button>
        </ForMakers>
      </PageHead>
      {before.length === 0 ? (
        <Text maxW="60ch">
          Nothing was kept yet. When you come back to it later and change it, what it was is kept;
          or keep it now, under a name of your own, before you try something.
        </Text>
      ) : (
        <Grid
          templateColumns={{ base: '1fr', lg: '260px minmax(0, 1fr)' }}
          gap={{ base: '6', lg: '10' }}
        >
          <MomentList moments={moments} chosen={one.id} onChoose={(id) => ask('of', id)} />
          <Flex direction="column" gap="6" minW="0">
            <Flex gap="3" align="flex-end" flexWrap="wrap">
              <BesideField moments={moments} value={other} onChange={(id) => ask('beside', id)} />
              <ForMakers>
                <Actions view={view} moment={one} onName={() => setNaming(one)} />
              </ForMakers>
            </Flex>
            <Compared pair={one.at > other.at ? [other, one] : [one, other]} />
          </Flex>
        </Grid>
      )}
      {naming && (
        <NameDialog
          pieceId={view.id}
          version={naming.version ?? null}
          onClose={() => setNaming(null)}
        />
      )}
    </>
  );
}

interface BesideProps {
  readonly moments: readonly Moment[];
  readonly value: Moment;
  readonly onChange: (id: string) => void;
}

const BesideField = ({ moments, value, onChange }: BesideProps) => (
  <Flex w={{ base: 'full', sm: '320px' }}>
    <SelectField
      label="Beside"
      value={value.id}
      options={moments.map(({ id, label, at }) => ({
        value: id,
        label: id === NOW ? label : `${label}, ${sayWhen(at)}`,
      }))}
      onChange={(id) => onChange(id === NOW ? '' : id)}
    />
  </Flex>
);

interface ActionsProps {
  readonly view: PieceView;
  readonly moment: Moment;
  readonly onName: () => void;
}

/** What can be done with what it was. */
function Actions({ view, moment, onName }: ActionsProps) {
  const goBack = useGoBack(view);
  const add = useAddPiece();
  const navigate = useNavigate();
  const { ask } = useAsked();
  const fail = (error: Error): unknown =>
    toaster.create({ title: `It could not be done: ${error.message}` });
  const back = (): void =>
    goBack.mutate(moment.piece, {
      onError: fail,
      onSuccess: () => {
        ask('of', '');
        toaster.create({
          title: `${moment.piece.name} is as it was. What it was until now is kept in the list.`,
        });
      },
    });
  const anew = (): void =>
    add.mutate(
      { ...moment.piece, name: `${moment.piece.name}, ${moment.label.toLowerCase()}`.slice(0, 80) },
      {
        onError: fail,
        onSuccess: ({ id }) => void navigate(`/pieces/${id}/layout`),
      },
    );
  return (
    <>
      {moment.version && (
        <Button onClick={onName}>
          {moment.version.name === null ? 'Give it a name' : 'Rename'}
        </Button>
      )}
      {moment.id !== NOW && (
        <Button disabled={goBack.isPending} onClick={back}>
          Go back to it
        </Button>
      )}
      <Button disabled={add.isPending} onClick={anew}>
        As a new piece
      </Button>
    </>
  );
}
