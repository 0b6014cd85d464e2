// SQL about who somebody is elsewhere: with a provider, such as a platform or a directory, under the name that it gave them.
import type { Ask } from '../../database/connect.ts'

export interface Identity {
  provider: string
  subject: string
}

/** Who somebody from elsewhere is here; null where nobody knows them. */
export async function findByIdentity(
  ask: Ask,
  { provider, subject }: Identity,
): Promise<string | null> {
  const [row] = await ask<{ id: string }>(
    'SELECT person_id AS id FROM identities WHERE provider = $1 AND subject = $2',
    [provider, subject],
  )
  return row?.id ?? null
}

/** Notes who somebody is elsewhere; false where that identity is somebody else's. The same again changes nothing. */
export async function addIdentity(
  ask: Ask,
  personId: string,
  identity: Identity,
): Promise<boolean> {
  const { provider, subject } = identity
  await ask(
    'INSERT INTO identities (provider, subject, person_id) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [provider, subject, personId],
  )
  return (await findByIdentity(ask, identity)) === personId
}

export const listIdentities = (ask: Ask, personId: string) =>
  ask<Identity>(
    'SELECT provider, subject FROM identities WHERE person_id = $1 ORDER BY provider, subject',
    [personId],
  )

/** Forgets an identity of somebody. */
export const removeIdentity = (ask: Ask, personId: string, { provider, subject }: Identity) =>
  ask('DELETE FROM identities WHERE person_id = $1 AND provider = $2 AND subject = $3', [
    personId,
    provider,
    subject,
  ])
