import type { LiveFile } from '@motor-round/contract'
import { DataTable } from '../../parts/data-table/index.ts'

const n = (x: number) => x.toLocaleString('en')

/** In one line what became of a file. */
export function fileWords(f: LiveFile): string {
  if (f.status === 'refused') return 'not read'
  return [
    `${n(f.kept)} values added`,
    f.already > 0 ? `${n(f.already)} there already` : '',
    f.differ > 0 ? `${n(f.differ)} there with another figure, which stays` : '',
    f.errorCount > 0 ? `${n(f.errorCount)} wrong` : '',
    f.unmapped.length > 0 ? `${n(f.unmapped.length)} columns not assigned` : '',
  ]
    .filter((t) => t !== '')
    .join(', ')
}

/** What became of a file, with its wrong lines. */
export function FileReport({ file }: { file: LiveFile }) {
  const bad = file.status === 'refused' || file.errorCount > 0
  return (
    <div className={`note ${bad ? 'tone-fix' : file.unmapped.length > 0 ? 'tone-watch' : ''}`} role="status">
      <p>
        <b>{file.name}:</b> {fileWords(file)}. {file.message}
      </p>
      {file.errors.length === 0 ? null : (
        <DataTable
          label="Wrong lines"
          rowKey="key"
          stacked
          dataSource={file.errors.slice(0, 100).map((e, key) => ({ ...e, key }))}
          columns={[
            { title: 'Line', dataIndex: 'line', align: 'right', className: 'num' },
            { title: 'Column', dataIndex: 'column' },
            { title: 'What is wrong', dataIndex: 'message' },
          ]}
        />
      )}
      {file.errorCount > 100 ? <p className="quiet">{n(file.errorCount - 100)} more are not shown.</p> : null}
    </div>
  )
}
