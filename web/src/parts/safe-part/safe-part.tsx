import { Button } from 'antd'
import { Component, type ReactNode } from 'react'

interface Props {
  /** What is missing when it fails: "The chart". */
  readonly what: string
  readonly children: ReactNode
}

/** A part of a page that fails by itself: it says so, and everything around it and everything typed stays. */
export class SafePart extends Component<Props, { readonly failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }
  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <section className="sheet" role="alert">
        <p>
          <b>{this.props.what} cannot be shown.</b> What you typed is kept.
        </p>
        <Button onClick={() => this.setState({ failed: false })}>Retry</Button>
      </section>
    )
  }
}
