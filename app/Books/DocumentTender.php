<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $document_id
 * @property int $position
 * @property TenderKind $kind
 * @property Money $amount change taken off
 * @property Money $given handed over
 * @property string $reference
 * @property string $card_type
 * @property string $last_four
 * @property string $authorisation
 */
final class DocumentTender extends Record
{
    protected $table = 'document_tenders';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'given' => MoneyCast::class,
        'kind' => TenderKind::class,
    ];

    /** "Card, debit ending 4821", "Cheque 00417" */
    public function words(): string
    {
        return match (true) {
            $this->last_four !== '' => trim("{$this->kind->label()}, {$this->card_type}")
                ." ending {$this->last_four}",
            $this->reference !== '' => "{$this->kind->label()} {$this->reference}",
            default => $this->kind->label(),
        };
    }

    /** The same on a credit note, where it goes out. */
    public function wordsBack(): string
    {
        return match ($this->kind) {
            TenderKind::Exchange => 'Set against goods taken along',
            TenderKind::HouseAccount => 'To the account',
            TenderKind::DepositHeld => 'As a deposit',
            default => $this->words(),
        };
    }
}
