/// <reference types="node" />
import { readFileSync } from 'node:fs';
import { expect, it } from '@jest/globals';
import { VERSION } from './version.js';

const read = (path: string): string =>
  readFileSync(new URL(`../../../${path}`, import.meta.url), 'utf8');

it.each([
  '.',
  'packages/core',
  'packages/workshop',
  'packages/contract',
  'apps/server',
  'apps/web',
  'e2e',
])('the version is that of the package in %s', (folder) => {
  expect(JSON.parse(read(`${folder}/package.json`))).toMatchObject({ version: VERSION });
});
it('is told of in the changelog', () => {
  expect(read('CHANGELOG.md')).toContain(`## ${VERSION}`);
});
