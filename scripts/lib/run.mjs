import { spawn } from 'node:child_process'

/**
 * Run a program and wait for it.
 * @returns {Promise<{code: number, out: string}>} exit code and both outputs
 */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options })
    let out = ''
    const keep = (b) => {
      out += b
      if (options.echo) process.stdout.write(b)
    }
    child.stdout?.on('data', keep)
    child.stderr?.on('data', keep)
    child.on('error', reject)
    child.on('close', (code, signal) => resolve({ code: code ?? (signal ? 1 : 0), out }))
  })
}
