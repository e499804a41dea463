import { connect } from '../db/connect';
import { follow, prepareGroup, publish } from './gather';

/* npm run group -- <group database> <site database> ...: gathers sites into one database that is read alone (docs/group.md). */

const [groupUrl, ...sites] = process.argv.slice(2);
if (!groupUrl || !sites.length) {
  process.stderr.write(
    'Name the group’s database, then the database of each site: npm run group -- postgresql://... ...\n',
  );
  process.exit(2);
}
const group = connect(groupUrl, 4);
const { rows } = await group.raw<{ rows: { there: boolean }[] }>("SELECT to_regclass('shop') IS NOT NULL AS there");
if (!rows[0]?.there) await prepareGroup(group);
for (const url of sites) {
  const site = connect(url, 2);
  await publish(site);
  const shop = (await site('shop').first('site', 'name')) as { site: number; name: string };
  await follow(group, site, `tug_mark_${shop.site}`, url);
  await site.destroy();
  process.stdout.write(`${shop.name} (site ${shop.site}) is followed.\n`);
}
await group.destroy();
