import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from "zod-openapi";
import { type Endpoint, endpoints } from "./endpoints/index.ts";
import { ApiError } from "./fault.ts";
import { PHOTO_TYPES } from "./photo.ts";

const ERROR_TEXT: Record<number, string> = {
  400: "The body isn’t JSON",
  403: "Not yours to do, another crew’s, or sent from a page that isn’t Scutch’s",
  404: "Not there, or another crew’s",
  409: "Conflicts with what the server has; both sides are given",
  412: "A precondition of the request fails",
  413: "The body is too large",
  415: "The body has the wrong type",
  416: "No such range",
  422: "A value breaks a limit; each fault says where",
  426: "The app is too old: update it",
  429: "Too often: try again later",
  507: "There is no room for it: the crew’s share or the server’s disk is full",
};

const PICTURES = Object.fromEntries(
  PHOTO_TYPES.map((type) => [type, { schema: { type: "string" as const, format: "binary" } }]),
);

const answerOf = ({ picture, file, response }: Endpoint) =>
  picture === "out"
    ? PICTURES
    : file
      ? { [file]: { schema: { type: "string" as const, format: "binary" } } }
      : { "application/json": { schema: response } };

function operation(id: string, endpoint: Endpoint): ZodOpenApiOperationObject {
  const path = endpoint.params;
  const query = endpoint.query;
  return {
    operationId: id,
    summary: endpoint.summary,
    ...(path || query ? { requestParams: { ...(path ? { path } : {}), ...(query ? { query } : {}) } } : {}),
    ...(endpoint.body ? { requestBody: { content: { "application/json": { schema: endpoint.body } } } } : {}),
    ...(endpoint.picture === "in" ? { requestBody: { content: PICTURES } } : {}),
    responses: {
      "200": {
        description: "Done",
        content: answerOf(endpoint),
      },
      ...Object.fromEntries(
        endpoint.errors.map((status) => [
          String(status),
          { description: ERROR_TEXT[status], content: { "application/json": { schema: ApiError } } },
        ]),
      ),
    },
  };
}

/** The API described in OpenAPI 3.1, from the schemas the server checks with. */
export function openApiDocument() {
  const paths: ZodOpenApiPathsObject = {};
  for (const [id, endpoint] of Object.entries(endpoints) as [string, Endpoint][])
    paths[`/api${endpoint.path}`] = {
      ...paths[`/api${endpoint.path}`],
      [endpoint.method]: operation(id, endpoint),
    };
  return createDocument({
    openapi: "3.1.0",
    info: {
      title: "Scutch",
      version: "1",
      description: "Plans and logs of carpet cleaning jobs. SI units; see docs/job-format.md.",
    },
    paths,
  });
}
