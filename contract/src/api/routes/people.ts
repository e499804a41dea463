import { z } from 'zod';
import {
  firstEngineerSchema,
  hereSchema,
  newPersonSchema,
  personChangeSchema,
  personSchema,
  signInSchema,
} from '../../people';
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
  makeFirstEngineer: define('makeFirstEngineer', {
    tag,
    summary: 'Makes the first account of a new shop',
    who: 'anyone',
    body: firstEngineerSchema,
    answers: { 200: hereSchema },
    problems: ['not-new', 'too-many-tries'],
    example: { body: { shopName: 'Elsewhere', name: 'Ada', password: 'a long enough one', zone: 'Europe/Berlin' } },
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
    problems: ['name-taken', 'id-taken'],
    example: {
      body: {
        id: '0192f3a4-0000-7000-8000-000000000001',
        name: 'Runa',
        role: 'technician',
        password: 'a long enough one',
        qualifiedUntil: '2027-12-31',
      },
    },
  }),
  changePerson: define('changePerson', {
    tag,
    summary: 'Opens or shuts an account, or renews its qualification',
    who: 'manage-people',
    params: id,
    body: personChangeSchema,
    answers: { 200: personSchema },
    problems: ['not-found', 'last-engineer'],
    example: { body: { active: true, qualifiedUntil: '2027-12-31' } },
  }),
};
