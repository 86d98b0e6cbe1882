import { Button, Modal } from 'antd'
import { useNavigate } from 'react-router'

/** What stands in the way of signing out. @param waiting entries that are not synced; null: the server was not reached */
export function SignOutDialog({
  waiting,
  close,
  leave,
}: {
  waiting: number | null
  close: () => void
  leave: () => void
}) {
  const navigate = useNavigate()
  if (waiting === null)
    return (
      <Modal open title="You are still signed in" onCancel={close} onOk={close} cancelButtonProps={{ hidden: true }}>
        <p>The server was not reached. Sign out again when you have signal.</p>
      </Modal>
    )
  return (
    <Modal
      open
      title={waiting === 1 ? 'One entry is not synced' : `${waiting} entries are not synced`}
      onCancel={close}
      footer={
        <div className="row">
          <Button
            size="large"
            type="primary"
            onClick={() => {
              close()
              void navigate('/phone')
            }}
          >
            Sync or export them
          </Button>
          <Button size="large" danger onClick={leave}>
            Sign out, keep them here
          </Button>
        </div>
      }
    >
      <p>
        They stay on this phone under your name until you sign in on it again. Machines and rounds that were downloaded
        are deleted from it.
      </p>
    </Modal>
  )
}
