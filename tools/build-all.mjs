// `npm run build`: the web app, the server and the command line as they run. `npm start` then needs a DATABASE_URL and a SESSION_SECRET.
import { ensureCliBuild, ensureServerBuild, ensureWebBuild } from './build.mjs';
import { ensureNodePackages } from './packages.mjs';
import { runMain } from './say.mjs';

runMain(async () => {
  await ensureNodePackages();
  await ensureWebBuild();
  await ensureServerBuild();
  await ensureCliBuild();
});
