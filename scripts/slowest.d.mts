export function noteTest(title: string, ms: number): void;
