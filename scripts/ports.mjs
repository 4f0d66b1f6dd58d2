import net from "node:net";

function isFree(port) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
  });
}

/** The first free loopback port from `preferred` up. */
export async function freePort(preferred) {
  for (let port = preferred; port < preferred + 200; port++) if (await isFree(port)) return port;
  throw new Error(`No free port from ${preferred} to ${preferred + 199}.`);
}

/** The port an environment variable asks for, or a free one from `preferred` up; asked for and taken is said. */
export async function chosenPort(variable, preferred) {
  const asked = process.env[variable];
  if (!asked) return freePort(preferred);
  const port = Number(asked);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`${variable}=${asked} is not a port. Give a number from 1 to 65535.`);
  if (!(await isFree(port)))
    throw new Error(`Port ${port} is taken. Set ${variable} to another one, or leave it unset.`);
  return port;
}
