import { Module } from '@nestjs/common';
import { ShopController } from './shop.controller.js';
import { ShopRepository } from './shop.repository.js';

@Module({ controllers: [ShopController], providers: [ShopRepository], exports: [ShopRepository] })
export class ShopModule {}
