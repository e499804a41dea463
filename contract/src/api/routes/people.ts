import { z } from 'zod';
import {
  newPersonSchema,
  onceWordSchema,
  ownPasswordSchema,
  personChangeSchema,
  personSchema,
  signInLineSchema,
  signInSchema,
} from '../../people';
import { firstEngineerSchema, hereSchema } from '../../shop';
import { define } from '../Route';

const tag = 'People';
const id = z.object({ id: z.uuid() });

export const people = {
  here: define('here', {
    tag,
    summary: 'Who is signed in, and in which shop',
    who: 'anyone',
    answers: { 200: hereSchema },
  }),
  signIn: define('signIn', {
    tag,
    summary: 'Signs in; the answer sets the session’s cookie',
    who: 'anyone',
    body: signInSchema,
    answers: { 200: hereSchema },
    problems: ['sign-in-wrong', 'too-many-tries'],
    example: { body: { name: 'Odile', password: 'demo-odile-bench' } },
  }),
  signOut: define('signOut', {
    tag,
    summary: 'Ends the session and the stream that goes with it',
    who: 'anyone',
    answers: { 204: null },
  }),
  changeOwnPassword: define('changeOwnPassword', {
    tag,
    summary: 'Chooses a password of one’s own; every other session of the person ends',
    who: 'signed-in',
    body: ownPasswordSchema,
    answers: { 200: hereSchema },
    problems: ['password-wrong', 'password-weak', 'too-many-tries'],
    example: { body: { current: 'demo-odile-bench', password: 'ivory lathe mast 7' } },
  }),
  makeFirstEngineer: define('makeFirstEngineer', {
    tag,
    summary: 'Makes the first account of a new shop',
    who: 'anyone',
    body: firstEngineerSchema,
    answers: { 200: hereSchema },
    problems: ['not-new', 'too-many-tries', 'password-weak'],
    example: { body: { shopName: 'Elsewhere', name: 'Ada', password: 'ivory lathe mast 7', zone: 'Europe/Berlin' } },
  }),
  listPeople: define('listPeople', {
    tag,
    summary: 'Every account',
    who: 'manage-people',
    answers: { 200: z.array(personSchema) },
  }),
  addPerson: define('addPerson', {
    tag,
    summary: 'Adds an account; the same again changes nothing',
    who: 'manage-people',
    body: newPersonSchema,
    answers: { 200: personSchema },
    problems: ['name-taken', 'id-taken', 'password-weak'],
    example: {
      body: {
        id: '0192f3a4-0000-7000-8000-000000000001',
        name: 'Runa',
        roles: ['technician'],
        qualifiedUntil: '2027-12-31',
      },
    },
  }),
  giveOnceWord: define('giveOnceWord', {
    tag,
    summary: 'Gives out a word that lets a person in once, to choose a password; it takes the place of the one before',
    who: 'manage-people',
    params: id,
    answers: { 200: onceWordSchema },
    problems: ['not-found'],
  }),
  listSignIns: define('listSignIns', {
    tag,
    summary: 'Who signed in or tried to, the latest 200',
    who: 'manage-people',
    answers: { 200: z.array(signInLineSchema) },
  }),
  changePerson: define('changePerson', {
    tag,
    summary: 'Opens or shuts an account, changes its roles, gives or renews its qualifications',
    who: 'manage-people',
    params: id,
    body: personChangeSchema,
    answers: { 200: personSchema },
    problems: ['not-found', 'last-engineer'],
    example: {
      body: {
        active: true,
        roles: ['technician'],
        qualifiedUntil: null,
        qualifications: [{ family: 'lug', until: '2027-12-31' }],
      },
    },
  }),
};
