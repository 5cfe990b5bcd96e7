import type { Act } from '@dossier/core/account';
import { Router, type RequestHandler } from 'express';
import { requireAct } from './session';

type Method = 'get' | 'put' | 'post' | 'patch' | 'delete';

/** A route with what whoever asks for it must be allowed to do. */
export interface DeclaredRoute {
  method: Uppercase<Method>;
  path: string;
  act: Act;
}

/** Routes for whoever is signed in: none without the act that it stands for. */
export class Routes {
  readonly router = Router();
  readonly declared: DeclaredRoute[] = [];

  get = this.adder('get');
  put = this.adder('put');
  post = this.adder('post');
  patch = this.adder('patch');
  delete = this.adder('delete');

  private adder(method: Method) {
    return (path: string, act: Act, ...handlers: RequestHandler[]): this => {
      this.declared.push({ method: method.toUpperCase() as Uppercase<Method>, path, act });
      this.router[method](path, requireAct(act), ...handlers);
      return this;
    };
  }
}
