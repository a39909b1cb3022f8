<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * What the payer of a document signed for, and how: kept with it and never changed.
 *
 * @property int $document_id
 * @property Money $amount minor units, what was signed for
 * @property string|null $signature strokes of the pen, as an SVG path; null: they signed the paper
 * @property string $signed_by
 * @property CarbonImmutable $signed_at
 */
final class PaymentSignature extends Record
{
    protected $table = 'payment_signatures';

    protected $primaryKey = 'document_id';

    public $incrementing = false;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['amount' => MoneyCast::class, 'signed_at' => 'immutable_datetime'];
}
