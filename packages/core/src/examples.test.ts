/// <reference types="node" />
import { testExamples } from '../../../scripts/lib/examples.mjs';

testExamples(new URL('.', import.meta.url), 16);
