import { answer, client, type Schemas } from '@/api/client'

/** Sends a photograph to be read and shrunk; it waits on the server for the thing that it shows. */
export function sendPhoto(file: File): Promise<Schemas['PhotoReadView']> {
  return answer(
    client.POST('/api/photo-files', {
      body: { file: file.name },
      // The document knows a file by its name only; a form carries it whole.
      bodySerializer: () => {
        const form = new FormData()
        form.append('file', file)
        return form
      },
    }),
  )
}
