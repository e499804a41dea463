import { PLAIN_SETTINGS } from '../../plainSettings';
import { hereSchema, MOST_LOGO, shopChangeSchema } from '../../shop';
import { MOST_WHOLE_SHOP, movedShopSchema } from '../../moving';
import { z } from 'zod';
import { define } from '../Route';

const tag = 'Shop';

export const shop = {
  changeShop: define('changeShop', {
    tag,
    summary: 'Names the shop, and says how it wants numbers, days and paper',
    who: 'manage-shop',
    body: shopChangeSchema,
    answers: { 200: hereSchema },
    example: {
      body: {
        name: 'Fennick Lane Harness Works',
        zone: 'Europe/Berlin',
        settings: { ...PLAIN_SETTINGS, idleMinutes: 10 },
      },
    },
  }),
  putLogo: define('putLogo', {
    tag,
    summary: 'Keeps the picture that stands on the shop’s paper',
    who: 'manage-shop',
    body: { file: ['image/png', 'image/jpeg', 'image/webp'], most: MOST_LOGO },
    answers: { 200: hereSchema },
    problems: ['photo-refused'],
  }),
  readLogo: define('readLogo', {
    tag,
    summary: 'The picture that stands on the shop’s paper',
    who: 'signed-in',
    answers: { 200: { file: ['image/png'] } },
    problems: ['not-found'],
  }),
  removeLogo: define('removeLogo', {
    tag,
    summary: 'Takes the picture off the shop’s paper',
    who: 'manage-shop',
    answers: { 200: hereSchema },
  }),
  moveShopOut: define('moveShopOut', {
    tag,
    summary: 'The whole shop in one file: parts, documents, rules, people without their passwords, and every record',
    who: 'manage-shop',
    answers: { 200: { file: ['application/gzip'] } },
  }),
  moveShopIn: define('moveShopIn', {
    tag,
    summary: 'Takes a whole shop in, in place of one that is still empty: whole or nothing, its chains proved first',
    who: 'manage-shop',
    query: z.object({
      /** 'check' keeps nothing and says what it would be. */
      only: z.enum(['check', 'keep']).default('check'),
    }),
    body: { file: ['application/gzip'], most: MOST_WHOLE_SHOP },
    answers: { 200: movedShopSchema },
    problems: ['shop-not-empty', 'whole-shop-unreadable', 'whole-shop-changed'],
  }),
};
