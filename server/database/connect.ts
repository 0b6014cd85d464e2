// The connection to PostgreSQL.
import pg from 'pg'
import { QueryTypes, Sequelize, type Transaction } from 'sequelize'
import { bindQueriesToTransactions } from './boundTransactions.ts'

export type Database = Sequelize

/** Opens a pool; nothing is contacted before the first query. */
export function connectDatabase(url: string, connections = 10): Database {
  bindQueriesToTransactions()
  return new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: connections, min: 0, acquire: 10_000, idle: 10_000 },
    define: { underscored: true, timestamps: false },
    dialectOptions: { application_name: 'fernbrake' },
    retry: { max: 1 },
  })
}

/** Runs a query with `$1`-style values and returns its rows. */
export async function select<Row extends object>(
  database: Database,
  sql: string,
  values: readonly unknown[] = [],
  transaction?: Transaction,
): Promise<Row[]> {
  return database.query<Row>(sql, {
    bind: [...values],
    type: QueryTypes.SELECT,
    ...(transaction ? { transaction } : {}),
  })
}

/** Runs a statement whose rows are of no interest. */
export async function run(
  database: Database,
  sql: string,
  values: readonly unknown[] = [],
  transaction?: Transaction,
): Promise<void> {
  await database.query(sql, {
    bind: [...values],
    type: QueryTypes.RAW,
    ...(transaction ? { transaction } : {}),
  })
}

/** Asks one statement, wherever it runs: in a transaction, or by itself. */
export type Ask = <Row extends object>(sql: string, values: unknown[]) => Promise<Row[]>

/** Asks by itself, or as part of a transaction. */
export function within(database: Database, transaction?: Transaction): Ask {
  return (sql, values) => select(database, sql, values, transaction)
}

/** Asks by itself, on the plain driver: of the ways to read thousands of rows the fastest. */
export const direct =
  (pool: pg.Pool): Ask =>
  async <Row extends object>(text: string, values: unknown[]) =>
    (await pool.query<Row>({ text, values })).rows

/** Asks by itself for tens of thousands of rows: each is the list of its columns. */
export type AskColumns = <Row extends unknown[]>(sql: string, values: unknown[]) => Promise<Row[]>

export const inColumns =
  (pool: pg.Pool): AskColumns =>
  async <Row extends unknown[]>(text: string, values: unknown[]) =>
    (await pool.query<Row>({ text, values, rowMode: 'array', types: { getTypeParser } })).rows

const MOMENT = pg.types.builtins.TIMESTAMPTZ

/** As usual, but for moments, of which there is one or more in each row. */
const getTypeParser = ((type: number, format: 'text') =>
  type === MOMENT && format === 'text'
    ? readMoment
    : (pg.types.getTypeParser(type, format) as unknown)) as typeof pg.types.getTypeParser

/** A moment as PostgreSQL writes it, to the millisecond: `2026-11-26 09:30:00.123456+00`; other forms are read the usual way. */
export function readMoment(text: string): Date {
  if (text.length < 22 || text.charCodeAt(4) !== 45 || !text.endsWith('+00'))
    return pg.types.getTypeParser(MOMENT, 'text')(text) as Date
  const two = (at: number) => (text.charCodeAt(at) - 48) * 10 + text.charCodeAt(at + 1) - 48
  const ms = text.length > 22 ? Math.floor(Number(text.slice(19, -3)) * 1000 + 1e-6) : 0
  const [month, day] = [two(5) - 1, two(8)]
  return new Date(Date.UTC(two(0) * 100 + two(2), month, day, two(11), two(14), two(17), ms))
}

/** Asks a statement that is asked all day long: the database parses and plans it once on each connection. */
export function prepared(pool: pg.Pool, name: string): Ask {
  return async <Row extends object>(text: string, values: unknown[]) =>
    (await pool.query<Row>({ name, text, values })).rows
}

/** Asks the database for nothing but an answer. */
export const isAnswering = (database: Database): Promise<unknown> => select(database, 'SELECT 1')
