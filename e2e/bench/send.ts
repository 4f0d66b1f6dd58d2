/** Saves through the API of a bench's server, and fails when the server refuses. */
export const sendTo =
  (api: string) =>
  async (method: string, path: string, body: unknown): Promise<void> => {
    const headers = { "content-type": "application/json" };
    const { status } = await fetch(`${api}${path}`, { method, headers, body: JSON.stringify(body) });
    if (status >= 300) throw new Error(`${method} ${path}: ${status}`);
  };
