import {
  may,
  type AccountDto,
  type BackupLookView,
  type BackupPlanDto,
  type BackupsView,
  type CustomerView,
  type DeviceView,
  type ForgottenWearerView,
  type InvitationDto,
  type JoinDto,
  type LinkDto,
  type LinkView,
  type MadeLinkView,
  type PasswordDto,
  type PeopleView,
  type ResetDto,
  type RestoredView,
  type Role,
  type SessionView,
  type SetUpDto,
  type SignInDto,
  type TrailView,
} from '@coiled-strand/contract';
import { useMutation, useQuery, type UseMutationResult } from '@tanstack/react-query';
import { restartStream } from '../device/stream';
import { hearWindows, tellWindows } from '../device/windows';
import { call } from './client';
import { useList, type PagedList } from './lists';
import { ownerOf } from './owner';
import { keys, queryClient, useChange, useDo } from './queries';

const LINK = 'link';

const sessionQuery = {
  queryKey: keys.session,
  queryFn: () => call<SessionView>('/session'),
  staleTime: 60_000,
} as const;

/** Who is signed in, and where. */
export const useSession = () => useQuery(sessionQuery);

/** Whether whoever is signed in may what is for a role; until that is known, as if they might. */
export function useMay(role: Role): boolean {
  const { data } = useSession();
  return data?.workshop ? may(data.workshop.role, role) : true;
}

/** Another person or another workshop: nothing that was fetched before is shown again. */
async function begin(session: SessionView): Promise<void> {
  queryClient.setQueryData(keys.session, session);
  // A link that was just taken up is not looked at again: it holds once.
  const kept: readonly unknown[] = [keys.session[0], LINK];
  await queryClient.resetQueries({ predicate: ({ queryKey }) => !kept.includes(queryKey[0]) });
  restartStream();
}

const SESSION = 'session';

/** The same, of this window's doing: the others of this browser follow. */
async function enter(session: SessionView): Promise<void> {
  tellWindows(SESSION);
  await begin(session);
}

/** Asks who is here; where that is somebody else by now, or in another workshop, all begins anew. */
export async function lookWhoIsHere(): Promise<void> {
  const before = ownerOf(queryClient.getQueryData<SessionView>(keys.session));
  const session = await call<SessionView>('/session').catch(() => null);
  if (session === null) return;
  if (ownerOf(session) === before) queryClient.setQueryData(keys.session, session);
  else await begin(session);
}
hearWindows(SESSION, () => void lookWhoIsHere());

/** Something after which somebody is signed in. */
const useEnter = <In>(path: string): UseMutationResult<SessionView, Error, In> =>
  useMutation({
    mutationFn: (body: In) => call<SessionView>(path, { method: 'POST', body }),
    onSuccess: enter,
  });

export const useSignIn = () => useEnter<SignInDto>('/session');
export const useSetUp = () => useEnter<SetUpDto>('/set-up');
export const useJoinAnew = () => useEnter<JoinDto>('/links/join');
export const useJoin = () => useEnter<LinkDto>('/links/join-as-myself');
export const useReset = () => useEnter<ResetDto>('/links/reset');
export const useAddWorkshop = () => useEnter<{ readonly name: string }>('/workshops');

export const useWorkIn = () =>
  useMutation({
    mutationFn: (workshop: string) =>
      call<SessionView>('/session/workshop', { method: 'PUT', body: { workshop } }),
    onSuccess: enter,
  });

/** Something after which nobody is signed in here. */
const useOut = <In>(run: (input: In) => Promise<void>) =>
  useMutation({
    mutationFn: run,
    onSuccess: async () => enter(await call<SessionView>('/session')),
  });

export const useSignOut = () => useOut(() => call<void>('/session', { method: 'DELETE' }));
export const useSignOutEverywhere = () =>
  useOut(() => call<void>('/account/devices', { method: 'DELETE' }));
export const useLeave = () => useOut(() => call<void>('/people/leave', { method: 'POST' }));
export const useForgetMe = () =>
  useOut((password: string) =>
    call<void>('/account/forget', { method: 'POST', body: { password } }),
  );

const useOwn = <In>(path: string) =>
  useMutation({
    mutationFn: (body: In) => call<SessionView>(path, { method: 'PUT', body }),
    onSuccess: async (session) => {
      queryClient.setQueryData(keys.session, session);
      await queryClient.invalidateQueries({ queryKey: keys.people });
      await queryClient.invalidateQueries({ queryKey: keys.devices });
      // Another session than before: the line of the one before was closed.
      restartStream();
    },
  });
export const useChangeAccount = () => useOwn<AccountDto>('/account');
export const useChangePassword = () => useOwn<PasswordDto>('/account/password');

export const useDevices = () =>
  useQuery({ queryKey: keys.devices, queryFn: () => call<DeviceView[]>('/account/devices') });
export const useEndDevice = () => useDo('DELETE', (id) => `/account/devices/${id}`, [keys.devices]);

/** What a link is for. */
export const useLink = (token: string) =>
  useQuery({
    queryKey: [LINK, token],
    queryFn: () => call<LinkView>('/links/look', { method: 'POST', body: { token } }),
    retry: false,
    staleTime: Infinity,
  });

/** Who is in the workshop. */
export const usePeople = () =>
  useQuery({ queryKey: keys.people, queryFn: () => call<PeopleView>('/people') });
export const useInvite = () =>
  useChange(
    (body: InvitationDto) => call<MadeLinkView>('/people/invitations', { method: 'POST', body }),
    [keys.people],
  );
export const useWithdraw = () =>
  useDo('DELETE', (id) => `/people/invitations/${id}`, [keys.people]);
export const useSetRole = () =>
  useChange(
    ({ id, role }: { readonly id: string; readonly role: Role }) =>
      call<void>(`/people/${id}`, { method: 'PUT', body: { role } }),
    [keys.people, keys.session],
  );
export const useSendAway = () => useDo('DELETE', (id) => `/people/${id}`, [keys.people]);
export const useLinkFor = () =>
  useMutation({
    mutationFn: (id: string) => call<MadeLinkView>(`/people/${id}/link`, { method: 'POST' }),
  });

export const useTrail = (): PagedList<TrailView> => useList(keys.trail, '/trail', { limit: 40 });

/** Whom things are made for, and what is kept of them. */
export const useCustomers = () =>
  useQuery({ queryKey: keys.customers, queryFn: () => call<CustomerView[]>('/customers') });
export const useForgetCustomer = () =>
  useDo('POST', (id) => `/customers/${id}/forget`, [keys.customers, keys.orders, keys.jobs]);
export const useForgetWearer = () =>
  useChange(
    (id: string) => call<ForgottenWearerView>(`/wearers/${id}/forget`, { method: 'POST' }),
    [keys.wearers, keys.pieces, keys.book, ['piece']],
  );

/** Copies of everything. */
export const useBackups = () =>
  useQuery({ queryKey: keys.backups, queryFn: () => call<BackupsView>('/backups') });
export const useBackupPlan = () =>
  useChange(
    (body: BackupPlanDto) => call<BackupsView>('/backups/plan', { method: 'PUT', body }),
    [keys.backups],
  );
export const useBackUpNow = () =>
  useChange(() => call<void>('/backups', { method: 'POST' }), [keys.backups]);

const asBackup = (file: Blob): Blob => new Blob([file], { type: 'application/gzip' });

export const useLookAtBackup = () =>
  useMutation({
    mutationFn: (file: Blob) =>
      call<BackupLookView>('/backups/look', { method: 'POST', bytes: asBackup(file) }),
  });
/** After it everything may be another. */
const useRestoring = <In>(run: (input: In) => Promise<RestoredView>) =>
  useMutation({
    mutationFn: run,
    onSuccess: async () => enter(await call<SessionView>('/session')),
  });
export const useRestore = () =>
  useRestoring(({ file, sha256 }: { readonly file: Blob; readonly sha256: string }) =>
    call<RestoredView>(`/backups/restore?replace=${sha256}`, {
      method: 'POST',
      bytes: asBackup(file),
    }),
  );
export const useBeginWithBackup = () =>
  useRestoring((file: Blob) =>
    call<RestoredView>('/set-up/restore', { method: 'POST', bytes: asBackup(file) }),
  );
