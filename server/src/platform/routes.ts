import { API_ROUTES } from '@dossier/contract/api';
import type { Act, Scope } from '@dossier/core/account';
import { Router, type RequestHandler } from 'express';
import { requireLeave } from './session';

type Method = 'get' | 'put' | 'post' | 'patch' | 'delete';

/** A route with what whoever asks for it must be allowed to do. */
export interface DeclaredRoute {
  method: Uppercase<Method>;
  path: string;
  act: Act;
  /** What a token must be let do; null where none is enough. */
  scope: Scope | null;
}

/** Routes for whoever is signed in: none without the act that it stands for, and none that the contract does not describe. */
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
      const name = method.toUpperCase() as Uppercase<Method>;
      const described = API_ROUTES[`${name} ${path}`];
      if (!described) throw new Error(`${name} ${path} is described nowhere: see the contract's api.`);
      this.declared.push({ method: name, path, act, scope: described.scope });
      this.router[method](path, requireLeave(act, described.scope), ...handlers);
      return this;
    };
  }
}
