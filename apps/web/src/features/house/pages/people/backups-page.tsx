import { Box, Flex, Grid, Link as ChakraLink, Text } from '@chakra-ui/react';
import {
  BACKUP_EVERY,
  sayBytes,
  type BackupEvery,
  type BackupLookView,
  type BackupPlanDto,
} from '@coiled-strand/contract';
import { Download, FileUp } from 'lucide-react';
import { useState } from 'react';
import {
  useBackups,
  useBackupPlan,
  useBackUpNow,
  useLookAtBackup,
  useRestore,
  useSession,
} from '../../../../data/api/people-queries';
import { ApiError } from '../../../../data/api/client';
import { CountField } from '../../../../ui/fields/count-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { HouseList, HousePage, HouseRow, Section } from '../../people/house-page';
import { sayWhen } from '../../people/when';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { FileButton } from '../../../../ui/shell/file-button';
import { toaster } from '../../../../ui/shell/toaster';

/** Everything in one file: taken along, brought back, and kept by the clock. */
export function BackupsPage() {
  return (
    <HousePage
      title="Backups"
      about="Everything of this workshop in one file: pieces, makes, photos, your hand, lists, stash, orders, settings and accounts. With it the workshop moves to another machine."
    >
      <Section
        title="Take it along"
        about="It holds names, measures, photos and what people sign in with: keep it where only you can read it."
      >
        <Button variant="solid" asChild>
          <a href="/api/backups/file" download>
            <Download size={18} /> Save everything in a file
          </a>
        </Button>
      </Section>
      <BringBack />
      <ByTheClock />
    </HousePage>
  );
}

/** What is counted when a backup is looked at, one of it and several. */
const COUNTED: readonly (readonly [table: string, one: string, several: string])[] = [
  ['piece', 'piece', 'pieces'],
  ['make', 'make', 'makes'],
  ['photo', 'photo', 'photos'],
  ['lot', 'lot in the stash', 'lots in the stash'],
  ['customer_order', 'order', 'orders'],
  ['person', 'account', 'accounts'],
];
const sayCounts = (counts: BackupLookView['counts']): string =>
  COUNTED.map(([table, one, several]) => {
    const count = counts[table] ?? 0;
    return `${count} ${count === 1 ? one : several}`;
  }).join(', ');

function BringBack() {
  const look = useLookAtBackup();
  const restore = useRestore();
  const { data: session } = useSession();
  const [chosen, setChosen] = useState<{ file: File; view: BackupLookView } | null>(null);
  const choose = (file: File): void =>
    look.mutate(file, { onSuccess: (view) => setChosen({ file, view }) });
  const put = async (): Promise<void> => {
    if (!chosen) return;
    const { workshop, renamed, notAsked } = await restore.mutateAsync({
      file: chosen.file,
      sha256: chosen.view.sha256,
    });
    setChosen(null);
    const names = renamed.map(({ from, to }) => `${from} signs in as ${to}`).join('; ');
    const told = [
      `${workshop} is back as it was.`,
      names === '' ? [] : `Names that were taken: ${names}.`,
      notAsked.length === 0 ? [] : `Invite them anew: ${notAsked.join(', ')}.`,
    ].flat();
    toaster.create({ title: told.join(' ') });
  };
  return (
    <Section
      title="Bring it back"
      about="A backup takes the place of this workshop, wholly or not at all. You are asked before anything is replaced."
    >
      <FileButton
        accept=".gz,application/gzip"
        testId="backup-file"
        disabled={look.isPending}
        onFile={choose}
      >
        <FileUp size={18} /> {look.isPending ? 'Looking at it' : 'Choose a backup'}
      </FileButton>
      {look.error && (
        <Text color="danger" role="alert" mt="3">
          {look.error.message} {look.error instanceof ApiError && look.error.body.remedy}
        </Text>
      )}
      {chosen && (
        <AskDialog
          title={`Put ${chosen.view.workshop} as of ${sayWhen(chosen.view.madeAt)} in the place of ${session?.workshop?.name ?? 'this workshop'}?`}
          description={`The backup is whole. It holds ${sayCounts(chosen.view.counts)}.`}
          action="Replace the workshop"
          doing={[restore]}
          onDo={put}
          onClose={() => setChosen(null)}
        >
          <Text>
            All that is in the workshop now is taken away: what was made, written or measured since
            then is gone. To be able to come back,{' '}
            <ChakraLink href="/api/backups/file" download textDecoration="underline">
              save it as it is now
            </ChakraLink>{' '}
            first.
          </Text>
        </AskDialog>
      )}
    </Section>
  );
}

const EVERY_WORDS: Readonly<Record<BackupEvery, string>> = {
  never: 'Never',
  day: 'Every day',
  week: 'Every Monday',
};
const HOURS = Array.from({ length: 24 }, (_, hour) => ({
  value: String(hour),
  label: `${String(hour).padStart(2, '0')}:00`,
}));

function ByTheClock() {
  const { data } = useBackups();
  const change = useBackupPlan();
  const now = useBackUpNow();
  if (!data) return null;
  const { plan, kept, folder } = data;
  const set = (part: Partial<BackupPlanDto>): void => change.mutate({ ...plan, ...part });
  if (folder === null) {
    return (
      <Section title="By the clock">
        <Text>This server has no folder to keep backups in. Start it with BACKUPS set to one.</Text>
      </Section>
    );
  }
  return (
    <Section
      title="By the clock"
      about={`Kept in ${folder} on the machine that makes them. A disk can break: copy one elsewhere now and then.`}
    >
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr 1fr' }} gap="4" maxW="560px">
        <SelectField
          label="How often"
          value={plan.every}
          options={BACKUP_EVERY.map((value) => ({ value, label: EVERY_WORDS[value] }))}
          onChange={(every) => set({ every: every as BackupEvery })}
        />
        {plan.every !== 'never' && (
          <SelectField
            label="At"
            value={String(plan.hour)}
            options={HOURS}
            onChange={(hour) => set({ hour: Number(hour) })}
          />
        )}
        <CountField
          label="How many are kept"
          value={plan.keep}
          min={1}
          max={100}
          onChange={(keep) => set({ keep })}
        />
      </Grid>
      <Flex align="center" gap="4" mt="5" flexWrap="wrap">
        <Button onClick={() => now.mutate(undefined)} disabled={now.isPending}>
          Make one now
        </Button>
        {now.isSuccess && <Text color="muted">It is made, and stands below in a moment.</Text>}
      </Flex>
      {kept.length === 0 ? (
        <Text mt="5" color="muted">
          None yet.{' '}
          {plan.every !== 'never' &&
            'Where the machine is off at that hour, it is made up for later.'}
        </Text>
      ) : (
        <Box mt="4">
          <HouseList>
            {kept.map(({ id, madeAt, bytes, machine, here }) => (
              <HouseRow
                key={id}
                title={sayWhen(madeAt)}
                about={`${sayBytes(bytes)}, on ${machine}`}
              >
                {here && (
                  <Button asChild>
                    <a
                      href={`/api/backups/${id}`}
                      download
                      aria-label={`Save the one of ${sayWhen(madeAt)}`}
                    >
                      <Download size={18} /> Save
                    </a>
                  </Button>
                )}
              </HouseRow>
            ))}
          </HouseList>
        </Box>
      )}
    </Section>
  );
}
