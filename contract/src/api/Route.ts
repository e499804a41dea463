import type { z } from 'zod';
import type { Action } from '../roles';
import { ADDRESSES, type OperationId } from './addresses';
import type { ProblemCode } from './problemCodes';

/** Who may call: anyone without an account, whoever is signed in, or those who may do something. */
export type Who = 'anyone' | 'signed-in' | Action;

/** Bytes that are no JSON: their media types, and how many there may be where they are sent. */
export interface FileKind {
  readonly file: readonly string[];
  readonly most?: number;
}

type Fields = z.ZodObject;

/** What is sent in, what comes back, who may, and what can go wrong: all there is to know of one operation. */
export interface RouteDefinition {
  readonly tag: string;
  readonly summary: string;
  readonly who: Who;
  readonly params?: Fields;
  readonly query?: Fields;
  readonly body?: z.ZodType | FileKind;
  /** Most bytes of a JSON body, where a file may be larger than a form. */
  readonly most?: number;
  readonly answers: Readonly<Record<number, z.ZodType | FileKind | null>>;
  /** Beside those every operation has: sign in, role, shape, fault, away. */
  readonly problems?: readonly ProblemCode[];
  readonly example?: { readonly params?: object; readonly query?: object; readonly body?: unknown };
}

export interface Route extends RouteDefinition {
  readonly id: OperationId;
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly path: string;
}

/** A definition at its address. */
export function define<const D extends RouteDefinition>(
  id: OperationId,
  definition: D,
): D & Pick<Route, 'id' | 'method' | 'path'> {
  const [method = 'GET', path = '/'] = ADDRESSES[id].split(' ');
  return { id, method: method as Route['method'], path, ...definition };
}

export const isFile = (kind: z.ZodType | FileKind | null | undefined): kind is FileKind =>
  kind !== null && kind !== undefined && 'file' in kind;

export const MEBIBYTE = 1024 * 1024;
export const CSV = { file: ['text/csv'] } as const;
export const PDF = { file: ['application/pdf'] } as const;
export const BYTES = { file: ['application/octet-stream'] } as const;

/** A CSV file that is sent. */
export const csvFile = (mebibytes: number) => ({ file: ['text/csv'], most: mebibytes * MEBIBYTE }) as const;

type Parsed<T> = T extends z.ZodType ? z.output<T> : never;
type Given<T> = T extends z.ZodType ? z.input<T> : never;
type Has<R, K extends string> = R extends Record<K, infer T> ? T : undefined;

/** What the server gets of a call, parsed. */
export interface Call<R extends RouteDefinition> {
  readonly params: Parsed<Has<R, 'params'>>;
  readonly query: Parsed<Has<R, 'query'>>;
  readonly body: Has<R, 'body'> extends FileKind ? Uint8Array : Parsed<Has<R, 'body'>>;
}

/** What the server may answer. */
export type Answer<R extends RouteDefinition> = Given<R['answers'][keyof R['answers']]>;

/**
 * What a client sends.
 * @typeParam File what it holds bytes in
 */
export type Sent<R extends RouteDefinition, File> = (Has<R, 'params'> extends z.ZodType
  ? { readonly params: Given<Has<R, 'params'>> }
  : { readonly params?: undefined }) &
  (Has<R, 'query'> extends z.ZodType ? { readonly query: Given<Has<R, 'query'>> } : { readonly query?: undefined }) &
  (Has<R, 'body'> extends FileKind
    ? { readonly body: File }
    : Has<R, 'body'> extends z.ZodType
      ? { readonly body: Given<Has<R, 'body'>> }
      : { readonly body?: undefined });

/** What a client gets back. */
export type Got<R extends RouteDefinition, File> = R['answers'][keyof R['answers']] extends infer A
  ? A extends z.ZodType
    ? z.output<A>
    : A extends FileKind
      ? File
      : undefined
  : never;
