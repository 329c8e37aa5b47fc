/// <reference types="node" />
import { execFileSync } from 'node:child_process'
import type { FieldOfPart, ListName } from '@/api/show'
import type { ListDescription } from '@/lists/columns'

const program = `require "vendor/autoload.php";
$lists = array_map(static fn(array $list): array => [...NimbleJunction\\\\Core\\\\Document\\\\Schema::described($list[0]), 'columns' => (new NimbleJunction\\\\Core\\\\Document\\\\Table($list[0]))->described()], NimbleJunction\\\\Core\\\\Show\\\\Show::LISTS);
echo json_encode($lists, JSON_THROW_ON_ERROR);`

/** What PHP says of the parts of a show: the real thing, so that page and server cannot drift apart. */
export const lists = JSON.parse(execFileSync('php', ['-r', program.replaceAll('\\\\', '\\')], { encoding: 'utf8' })) as Record<
  ListName,
  ListDescription
>

/** What has to be there. */
export function must<T>(what: T | undefined): T {
  if (what === undefined) throw new Error('it is not there')
  return what
}

export const fieldOf = (list: ListName, name: string): FieldOfPart =>
  must(lists[list].fields.find((field) => field.name === name))
