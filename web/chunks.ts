import { build, type InlineConfig, type Rolldown } from "vite";

type Chunk = Rolldown.OutputChunk;

/** Modules a chunk brings with it: its own and those of all chunks it imports. */
function broughtBy(chunk: Chunk, chunks: readonly Chunk[]): ReadonlySet<string> {
  const all = new Set([chunk]);
  for (const { imports } of all)
    for (const each of chunks) if (imports.includes(each.fileName)) all.add(each);
  return new Set([...all].flatMap(({ moduleIds }) => moduleIds));
}

/**
 * One chunk for all that a screen brings with it, found by a build that writes nothing. Left alone the bundler makes a chunk for
 * each set of screens that share a module: twenty for the first screen, forty for a job, and each takes a slow phone 15 ms.
 *
 * @param screens - by the chunk's name, the module it is for, or several: then what two of them share; what an earlier chunk has
 * isn't in a later one
 */
export async function chunksOfScreens(
  config: InlineConfig,
  screens: Readonly<Record<string, string | readonly string[]>>,
) {
  const built = await build({
    ...config,
    configFile: false,
    root: import.meta.dirname,
    logLevel: "error",
    build: { ...config.build, write: false, minify: false },
  });
  const chunks = [built]
    .flat()
    .flatMap((each) => ("output" in each ? each.output : []))
    .filter((file) => file.type === "chunk");
  const modulesOf = (screen: string) => {
    const chunk = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(screen));
    if (!chunk)
      throw new Error(`${screen} makes no chunk of its own. Name another module in vite.config.ts.`);
    return broughtBy(chunk, chunks);
  };
  return Object.entries(screens).map(([name, said], i) => {
    const sets = [said].flat().map(modulesOf);
    const enough = Math.min(2, sets.length);
    return {
      name,
      priority: Object.keys(screens).length - i,
      // Its modules are all there are: the bundler would add what they import and never use.
      includeDependenciesRecursively: false,
      test: (id: string) => sets.filter((modules) => modules.has(id)).length >= enough,
    };
  });
}
