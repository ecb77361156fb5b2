import { Module, OnApplicationBootstrap } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { OnceInterceptor } from './once.interceptor.js';
import { RequestsRepository } from './requests.repository.js';

@Module({
  providers: [RequestsRepository, { provide: APP_INTERCEPTOR, useClass: OnceInterceptor }],
})
export class RequestsModule implements OnApplicationBootstrap {
  constructor(private readonly requests: RequestsRepository) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.requests.forgetOld();
  }
}
