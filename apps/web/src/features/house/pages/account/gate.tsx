import { Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { followChanges } from '../../../../data/api/live';
import { isElsewhere, isSignedOut, whenRefused } from '../../../../data/api/client';
import { lookWhoIsHere, useSession, useSignOut } from '../../../../data/api/people-queries';
import { Button } from '../../../../ui/shell/button';
import { atRest } from '../../../../ui/shell/at-rest';
import { later } from '../../../../ui/shell/later';
import { toaster } from '../../../../ui/shell/toaster';
import { Door } from './door';

const SignInPage = later(() => import('./sign-in-page').then((m) => m.SignInPage));
const SetUpPage = later(() => import('./set-up-page').then((m) => m.SetUpPage));
const NewWorkshop = later(() => import('./workshops').then((m) => m.NewWorkshop));

whenRefused((error) => {
  // Signed out meanwhile, or somebody else signed in, here or elsewhere: the page asks who is there.
  if (isSignedOut(error) || isElsewhere(error)) void lookWhoIsHere();
  else toaster.create({ title: error.message });
});

/** Lets into the workshop whoever may come in. Where nobody answers, what is known here is shown all the same. */
export function Gate() {
  const { data, isPending, failureCount } = useSession();
  const inside = data?.state === 'signed-in' && data.workshop !== null;
  useEffect(() => {
    if (!inside) return;
    followChanges();
    atRest(
      () => void import('../../../../data/device/readings').then((m) => m.listenToInstruments()),
    );
  }, [inside, data?.person?.id]);
  // The pages say themselves that nobody answers.
  if (isPending && failureCount === 0) return null;
  switch (data?.state) {
    case 'set-up':
      return <SetUpPage />;
    case 'signed-out':
      return <SignInPage />;
    default:
      return data && !inside ? <Outside /> : <Outlet />;
  }
}

/** Somebody with an account who is in no workshop. */
function Outside() {
  const out = useSignOut();
  return (
    <Door
      title="You are in no workshop"
      about="Open the link of an invitation, or begin a workshop of your own."
    >
      <NewWorkshop />
      <Text mt="8">
        <Button variant="text" onClick={() => out.mutate(undefined)}>
          Sign out
        </Button>
      </Text>
    </Door>
  );
}
