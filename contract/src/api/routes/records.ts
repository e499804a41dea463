import { PAPERS } from '@tug-mark/core';
import { z } from 'zod';
import { certificateSchema, chainReportSchema } from '../../certificate';
import { after, lotNumber } from '../../fields';
import { foreignLineSchema, foreignRecordSchema } from '../../foreignRecord';
import { recordSchema } from '../../record';
import { CSV, define, MEBIBYTE, PDF } from '../Route';

const tag = 'Records';
const id = z.object({ id: z.uuid() });
const ofLot = z.object({ id: z.uuid(), lot: lotNumber });
/** Left out: as the shop has it. */
const paper = z.object({ paper: z.enum(PAPERS).optional() });
const certificateProblems = ['not-found', 'lot-not-finished', 'lot-held', 'not-own', 'chain-broken'] as const;

export const records = {
  readSheet: define('readSheet', {
    tag,
    summary: 'A set-up sheet’s pages as SVG texts',
    who: 'signed-in',
    params: id,
    query: paper,
    answers: { 200: z.array(z.string()) },
    problems: ['not-found'],
  }),
  drawSheet: define('drawSheet', {
    tag,
    summary: 'A set-up sheet as SVG, all its pages one below the other, with its fonts',
    who: 'signed-in',
    params: id,
    query: paper,
    answers: { 200: { file: ['image/svg+xml'] } },
    problems: ['not-found'],
  }),
  printSheet: define('printSheet', {
    tag,
    summary: 'A set-up sheet as PDF',
    who: 'signed-in',
    params: id,
    query: paper,
    answers: { 200: PDF },
    problems: ['not-found'],
  }),
  printSheets: define('printSheets', {
    tag,
    summary: 'All set-up sheets of a wire list as one PDF, each followed by a mark that tells how far it is',
    who: 'signed-in',
    query: paper.extend({ list: z.string().min(1).max(60) }),
    answers: { 200: PDF },
    problems: ['not-found'],
  }),
  writeCertificate: define('writeCertificate', {
    tag,
    summary: 'A finished lot’s certificate',
    who: 'signed-in',
    params: ofLot,
    answers: { 200: certificateSchema },
    problems: certificateProblems,
  }),
  writeCertificateTable: define('writeCertificateTable', {
    tag,
    summary: 'A finished lot’s checks as CSV',
    who: 'signed-in',
    params: ofLot,
    answers: { 200: CSV },
    problems: certificateProblems,
  }),
  printCertificate: define('printCertificate', {
    tag,
    summary: 'A finished lot’s certificate as PDF',
    who: 'signed-in',
    params: ofLot,
    query: paper,
    answers: { 200: PDF },
    problems: certificateProblems,
  }),
  writeRecord: define('writeRecord', {
    tag,
    summary: 'The record of one combination, complete',
    who: 'signed-in',
    params: id,
    answers: { 200: recordSchema },
    problems: ['not-found'],
  }),
  writeRecordTable: define('writeRecordTable', {
    tag,
    summary: 'The journal of one combination as CSV',
    who: 'signed-in',
    params: id,
    answers: { 200: CSV },
    problems: ['not-found'],
  }),
  verifyChain: define('verifyChain', {
    tag,
    summary: 'Whether one combination’s journal is what was put on record',
    who: 'signed-in',
    params: id,
    answers: { 200: z.object({ entries: z.number(), hash: z.string(), text: z.string().nullable() }) },
  }),
  verifyChains: define('verifyChains', {
    tag,
    summary: 'Whether journals are what was put on record, a portion at a time',
    who: 'signed-in',
    query: z.object({ after }),
    answers: { 200: chainReportSchema },
  }),
  readInRecord: define('readInRecord', {
    tag,
    summary: 'Keeps a record of another shop, apart from this shop’s own',
    who: 'import-record',
    query: z.object({ name: z.string().max(200).default('') }),
    body: { file: ['application/json'], most: 32 * MEBIBYTE },
    answers: { 201: foreignLineSchema },
    problems: ['record-changed', 'file-unreadable', 'file-too-large'],
  }),
  listForeignRecords: define('listForeignRecords', {
    tag,
    summary: 'Records of other shops, newest first',
    who: 'signed-in',
    answers: { 200: z.array(foreignLineSchema) },
  }),
  readForeignRecord: define('readForeignRecord', {
    tag,
    summary: 'A record of another shop, computed again, with what differs',
    who: 'signed-in',
    params: id,
    answers: { 200: foreignRecordSchema },
    problems: ['not-found'],
  }),
  writeForeignRecord: define('writeForeignRecord', {
    tag,
    summary: 'The file a record of another shop was read from, as it was',
    who: 'signed-in',
    params: id,
    answers: { 200: { file: ['application/json'] } },
    problems: ['not-found'],
  }),
};
