import { ensureCliBuild, ensureMeterBuild, ensureServerBuild, ensureWebBuild } from '../tools/build.mjs';

/** Before any test: everything is built once, since workers that build side by side would be in each other's way. */
export default async function build(): Promise<void> {
  await ensureWebBuild();
  await ensureServerBuild();
  await ensureMeterBuild();
  await ensureCliBuild();
}
