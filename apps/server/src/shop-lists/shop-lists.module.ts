import { Module } from '@nestjs/common';
import { SHOP_LISTS } from '@spare-knot/core/exchange';
import { listController } from './list.controller.js';

@Module({ controllers: SHOP_LISTS.map(listController) })
export class ShopListsModule {}
