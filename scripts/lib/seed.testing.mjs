// Properties are drawn by one seed, which the test command prints: what it found is found again with FERNBRAKE_SEED.
import fc from 'fast-check'

const said = Number(process.env.FERNBRAKE_SEED)
if (Number.isInteger(said) && said !== 0)
  fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: said })
