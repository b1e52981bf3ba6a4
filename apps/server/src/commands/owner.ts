import { NewPersonDto, PASSWORD, validateAs } from '@coiled-strand/contract';
import { hashPassword } from '../accounts/passwords.js';
import { createDataSource, prepareDatabase } from '../database/data-source.js';
import { MemberRow, PersonRow, SessionRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { beginWorkshop } from '../workshop/fresh-workshop.js';
import { askSecretly, databaseUrl, runCommand, say } from './run-command.js';

/**
 * `npm run owner -- SIGN-IN [NAME]`: gives somebody a new password and makes them an owner, of the first workshop where
 * they are in none, and of a new one where there is none. For the first owner of a machine without a screen, and for
 * one who forgot the only password.
 */
await runCommand(async ([signIn, ...words]) => {
  if (!signIn) throw new Error('Say who: npm run owner -- SIGN-IN "What they are called"');
  const name = words.join(' ').trim() || signIn;
  const password = await askSecretly(`A password of ${PASSWORD.least} characters or more: `);
  const checked = validateAs(NewPersonDto, { name, signIn, password });
  if (!checked.ok) {
    const words = checked.faults.map(({ message }) => message).join('; ');
    throw new Error(`That cannot be used: ${words}. Nothing was changed.`);
  }
  const about = checked.value;
  const url = databaseUrl();
  await prepareDatabase(url, false);
  const source = await createDataSource(url).initialize();
  try {
    const passwordHash = await hashPassword(about.password);
    await source.transaction(async (manager) => {
      const known = await manager
        .createQueryBuilder(PersonRow, 'person')
        .where('lower(person.sign_in) = lower(:signIn)', { signIn: about.signIn })
        .getOne();
      const person = await manager.save(
        PersonRow,
        known
          ? { ...known, passwordHash }
          : manager.create(PersonRow, { name, signIn: about.signIn, passwordHash }),
      );
      await manager.delete(SessionRow, { personId: person.id });
      const membership = await manager.findOneBy(MemberRow, { personId: person.id });
      const [first] = await manager.find(Workshop, {
        order: { createdAt: 'ASC', id: 'ASC' },
        take: 1,
      });
      if (membership) await manager.update(MemberRow, { id: membership.id }, { role: 'owner' });
      else if (first) {
        await manager.insert(MemberRow, {
          workshopId: first.id,
          personId: person.id,
          role: 'owner',
        });
      } else await beginWorkshop(manager, 'My bench', person);
    });
  } finally {
    await source.destroy();
  }
  say(`${about.signIn} is an owner and signs in with the new password.`);
});
