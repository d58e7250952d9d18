import { ParseUUIDPipe, ValidationPipe } from '@nestjs/common';
import { flattenErrors } from '@idle-kettle/contract';
import { ProblemException } from './problem.filter.js';

/** Checks bodies by the rules of the contract and names every problem at once. */
export const validationPipe = (): ValidationPipe =>
  new ValidationPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    exceptionFactory: (errors) => {
      const problems = flattenErrors(errors);
      return new ProblemException(
        'not-understood',
        `${problems.length} ${problems.length === 1 ? 'thing needs' : 'things need'} correcting`,
        { errors: problems },
      );
    },
  });

/** An id in a path. */
export const idPipe = new ParseUUIDPipe({
  exceptionFactory: () =>
    new ProblemException('not-understood', 'the id in the address is not a UUID', {
      errors: [{ path: 'id', message: 'write a UUID' }],
    }),
});
