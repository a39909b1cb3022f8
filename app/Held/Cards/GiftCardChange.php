<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That a card was blocked, replaced or extended: by whom and why.
 *
 * @property int $gift_card_id
 * @property int $staff_id
 * @property string $what
 * @property CarbonImmutable $made_at
 * @property-read Staff $staff
 */
final class GiftCardChange extends Record
{
    protected $table = 'gift_card_changes';

    protected $casts = ['made_at' => 'immutable_datetime'];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
