import type Sqlite from 'better-sqlite3'
import { type Driver, SqliteDialect } from 'kysely'

/**
 * SQLite as Kysely speaks it, but for one thing: where an error has ended a transaction already, as a full disk does,
 * there is nothing left to roll back, and trying would hide the error.
 */
export class ForgivingSqliteDialect extends SqliteDialect {
  constructor(private readonly sqlite: Sqlite.Database) {
    super({ database: sqlite })
  }
  override createDriver(): Driver {
    const driver = super.createDriver()
    const rollback = driver.rollbackTransaction.bind(driver)
    driver.rollbackTransaction = async (connection) => {
      if (this.sqlite.inTransaction) await rollback(connection)
    }
    return driver
  }
}
