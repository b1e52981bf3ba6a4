export function testExamples(src: URL, least: number): void;
