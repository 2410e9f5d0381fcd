/** A table as a CSV answer. @param name of the file, without its ending */
export const csvAnswer = (csv: string, name: string): Response =>
  new Response(csv, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
    },
  })
