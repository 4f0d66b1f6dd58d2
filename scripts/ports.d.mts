export function freePort(preferred: number): Promise<number>;
export function chosenPort(variable: string, preferred: number): Promise<number>;
