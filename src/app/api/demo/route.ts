import demo from '../../../../demo/regatta.armreach.json';

/** The demo outing, as the file that anyone could bring. */
export function GET() {
  return Response.json(demo);
}
