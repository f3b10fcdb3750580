import { Problem } from '@/api/client'

/** A file on its way: how far, and how to stop it. */
export interface Sending<T> {
  done: Promise<T>
  cancel: () => void
}

/** It was stopped by the person who sent it. */
export class Cancelled extends Error {}

/**
 * Sends a file as a form, streamed by the browser, and tells how far it is.
 *
 * @param path of the operation
 * @param progress share that has arrived, 0 to 1
 */
export function sendFile<T>(
  path: string,
  file: File,
  progress: (share: number) => void,
): Sending<T> {
  const request = new XMLHttpRequest()
  const done = new Promise<T>((resolve, reject) => {
    request.open('POST', path)
    request.responseType = 'json'
    request.upload.onprogress = (event) => progress(event.total ? event.loaded / event.total : 0)
    request.onload = () => {
      const body: unknown = request.response
      if (request.status >= 200 && request.status < 300) {
        resolve(body as T)
      } else {
        const said = body as { title?: string; detail?: string; errors?: Problem['errors'] } | null
        reject(
          new Problem(
            said?.title ?? 'The file was not taken',
            said?.detail ?? `The server answered ${request.status}.`,
            said?.errors ?? [],
          ),
        )
      }
    }
    request.onerror = () =>
      reject(new Problem('The file did not arrive', 'The connection broke. Choose it again.'))
    request.onabort = () => reject(new Cancelled())
  })
  const form = new FormData()
  form.append('file', file)
  request.send(form)
  return { done, cancel: () => request.abort() }
}
