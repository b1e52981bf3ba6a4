import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import type { PageView, PieceView } from '@coiled-strand/contract';
import { beginIn } from '../start.js';

// A real disk that is really full; only root may mount one.
if (process.getuid?.() === 0) {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-disk-'));

  test.beforeAll(() => {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=150m', 'coiled-strand', folder]);
    chmodSync(folder, 0o755);
  });
  test.afterAll(() => {
    execFileSync('umount', ['--lazy', folder]);
    rmSync(folder, { recursive: true, force: true });
  });

  test('a disk that is full is said, in health too; nothing is lost, and it goes on when there is room', async ({
    page,
  }) => {
    const program = await beginIn(folder);
    await program.ready();
    const api = `${program.url}/api`;
    const health = async () => {
      const answer = await fetch(`${api}/health`);
      return { status: answer.status, body: (await answer.json()) as object };
    };
    expect(await health()).toMatchObject({ status: 200, body: { disk: { state: 'low' } } });
    const pieces = async (): Promise<readonly PieceView[]> =>
      ((await (await fetch(`${api}/pieces?sort=laid&limit=100`)).json()) as PageView<PieceView>)
        .items;
    const [meridian] = await pieces();
    await page.goto(`${program.url}/pieces/${meridian!.id}/fit`);
    await page.getByTestId('bench').waitFor();

    const filler = join(folder, 'filler');
    const { bavail, bsize } = statfsSync(folder);
    writeFileSync(filler, Buffer.alloc(bavail * bsize - 4096, 1));
    expect(await health()).toMatchObject({
      status: 507,
      body: { error: { code: 'disk.full', remedy: /Free some space/ } },
    });
    // Written until the room that the database had kept is used up.
    const store = (): Promise<number> =>
      fetch(`${api}/pieces`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(meridian!.piece),
      }).then(({ status }) => status);
    const fill = async (): Promise<number> => {
      for (let i = 0; i < 400; i++) {
        const status = await store();
        if (status !== 201) return status;
      }
      return 201;
    };
    expect(await fill()).toBe(507);
    const count = async (): Promise<number> =>
      ((await (await fetch(`${api}/pieces`)).json()) as PageView<PieceView>).total;
    const stored = await count();

    const wrist = page.getByRole('textbox', { name: 'Wrist girth, bare' });
    await wrist.fill('17.7');
    await wrist.press('Enter');
    await expect(page.getByTestId('save-state')).toContainText('disk that holds the data is full');

    // Nor can the log be written, and nothing stops for that.
    await expect.poll(program.said).toContain('The log server.log cannot be written (ENOSPC)');

    rmSync(filler);
    await page.locator('[data-testid=save-state][data-state=saved]').waitFor({ state: 'attached' });
    expect((await health()).status).toBe(200);
    expect(await count()).toBe(stored);
    expect((await pieces())[0]?.piece.wearer.wrist).toBe(177);
    program.child.kill('SIGTERM');
    expect(await program.ended).toBe(0);
  });
}
