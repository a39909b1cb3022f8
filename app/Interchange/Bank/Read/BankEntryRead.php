<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Interchange\Bank\BankEntryKind;

/** One entry of a bank's file, as the file says it. */
final readonly class BankEntryRead
{
    /**
     * @param  CarbonImmutable|null  $bookedOn null where it could not be read
     * @param  Money  $amount above zero whichever way it went; zero where it could not be read
     * @param  string  $bankReference the bank's own, unique in its account; empty where it gives none
     * @param  string  $endToEnd what the payer's bank called it; a return carries the same
     * @param  array<string, Money>  $amounts what is paid on each document the remittance lists, by the number as
     *     written there
     * @param  string  $account the account of the shop it is booked on
     * @param  string  $trouble why it could not be read
     */
    public function __construct(
        public ?CarbonImmutable $bookedOn,
        public Money $amount,
        public string $payer,
        public string $reference,
        public string $bankReference,
        public BankEntryKind $kind = BankEntryKind::In,
        public string $endToEnd = '',
        public string $payerAccount = '',
        public array $amounts = [],
        public string $account = '',
        public string $trouble = '',
    ) {
    }

    /** What could not be read. */
    public static function unread(Money $nothing, string $text, string $trouble, string $account = ''): self
    {
        return new self(
            null,
            $nothing,
            '',
            mb_substr($text, 0, 500),
            '',
            BankEntryKind::Unread,
            account: $account,
            trouble: mb_substr($trouble, 0, 255),
        );
    }
}
