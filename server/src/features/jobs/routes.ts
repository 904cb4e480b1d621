/** Routes of jobs and their logs. */
import {
  benchKnowledgeSchema,
  changeJobSchema,
  eventsKeptSchema,
  jobDetailSchema,
  listQuerySchema,
  jobSchema,
  knownLineSchema,
  newJobSchema,
  postEventsSchema,
} from '@amber-gauge/contract';
import type { Router } from 'express';
import { apiRouter, body, send } from '../../http/wire.js';
import { jobList } from './list.js';
import { addLines, changeJob, jobDetail, knownOf, takeIn, type Services } from './service.js';

/** A model as asked for in the address; empty while the unit has no name. */
const modelIn = (asked: unknown): string => (typeof asked === 'string' ? asked.trim() : '');

export function jobRoutes(services: Services): Router {
  const router = apiRouter();
  router.get('/jobs', async (req, res) => {
    // The rows come parsed by the contract already: long lists are not parsed twice.
    res.json(await jobList(services, listQuerySchema.parse(req.query)));
  });
  router.get('/families/:familyId/known', async (req, res) => {
    send(res, benchKnowledgeSchema, await knownOf(services, req.params.familyId, modelIn(req.query.model)));
  });
  router.post('/jobs', async (req, res) => {
    send(res, jobSchema, await takeIn(services, body(req, newJobSchema)), 201);
  });
  router.get('/jobs/:id', async (req, res) => {
    send(res, jobDetailSchema, await jobDetail(services, req.params.id, knownLineSchema.parse(req.query)));
  });
  router.patch('/jobs/:id', async (req, res) => {
    send(res, jobSchema, await changeJob(services, req.params.id, body(req, changeJobSchema)));
  });
  router.post('/jobs/:id/events', async (req, res) => {
    const { events } = body(req, postEventsSchema);
    send(res, eventsKeptSchema, { kept: await addLines(services, req.params.id, events) }, 201);
  });
  return router;
}
