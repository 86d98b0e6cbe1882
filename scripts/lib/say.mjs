/** An error that a person can act on: printed as one line, without a stack. */
export class Plain extends Error {}

/** Run a script's main; every failure ends it with one line. */
export function main(run) {
  run().catch((e) => {
    if (e instanceof Plain) process.stderr.write(`${e.message}\n`)
    else if (e?.code === 'ENOSPC') process.stderr.write('The disk is full. Free some space and start again.\n')
    else if (e?.code === 'EACCES' || e?.code === 'EPERM')
      process.stderr.write(
        `No permission for ${e.path ?? 'a file'}. Choose another folder with DATA_DIR=… or mend its owner.\n`,
      )
    else process.stderr.write(`${e?.message ?? e}\n`)
    process.exit(1)
  })
}
