<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Support\Casts\MoneyByNameCast;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One entry of a bank's file, and whom it is thought to be from.
 *
 * @property int $id
 * @property int $bank_file_id
 * @property int $position
 * @property string $fingerprint
 * @property BankEntryKind $kind
 * @property CarbonImmutable|null $booked_on null where it could not be read
 * @property Money $amount minor units, whichever way it went
 * @property string $payer
 * @property string $payer_account
 * @property string $reference
 * @property string $bank_reference
 * @property string $end_to_end
 * @property int|null $customer_id
 * @property array<string, Money>|null $shares by document label; null: oldest due first
 * @property Money $discount the settlement discount promised with the shares
 * @property array{for: list<string>, against: list<string>}|null $evidence
 * @property bool $sure ticked beforehand
 * @property string $trouble why it could not be read
 * @property string $state open, posted, aside or noted
 * @property string $aside_because
 * @property int|null $document_id
 * @property-read BankFile $file
 * @property-read Customer|null $customer
 * @property-read Document|null $document
 */
final class BankEntry extends Record
{
    protected $table = 'bank_entries';

    protected $casts = [
        'amount' => MoneyCast::class,
        'discount' => MoneyCast::class,
        'kind' => BankEntryKind::class,
        'booked_on' => 'immutable_date',

        'shares' => MoneyByNameCast::class,

        'evidence' => 'array',
        'sure' => 'bool',
    ];

    /** @return list<string> */
    public function speaksFor(): array
    {
        return $this->evidence['for'] ?? [];
    }

    /** @return list<string> */
    public function speaksAgainst(): array
    {
        return $this->evidence['against'] ?? [];
    }

    public function isPayment(): bool
    {
        return $this->state === 'open' && $this->kind === BankEntryKind::In;
    }

    /** @return BelongsTo<BankFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(BankFile::class, 'bank_file_id');
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
