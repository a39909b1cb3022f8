<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Books\Document;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Coupons\CouponRecord;
use Elmstone\Held\Cards\GiftCard;
use Illuminate\Database\Eloquent\Collection;

/**
 * What of goods coming back, gift cards, store credit and coupons is on a slip. Nothing is read where the slip says
 * that there is none.
 */
final class SlipCredits
{
    /** What is on the slip itself. */
    public function read(Slip $slip): void
    {
        $codes = $slip->cardCodes();
        $slip->giftCards = $codes === [] ? [] : GiftCard::query()->whereIn('code', $codes)->get()->keyBy('code')->all();
        $coupons = $slip->couponIds();
        $slip->couponsShown = $coupons === []
            ? new Collection
            : CouponRecord::query()->whereIn('id', $coupons)->get()->keyBy('id');
        $slip->takesBack() ? $slip->load('returns.item') : $slip->setRelation('returns', new Collection);
        $originals = $slip->returns->pluck('origin_document_id')->filter()->unique()->all();
        $slip->originals = $originals === [] ? []
            : Document::query()->whereIn('id', $originals)->get()->keyBy('id')->all();
    }
}
