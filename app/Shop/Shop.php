<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\MoneyListCast;
use Elmstone\Support\Database\Record;
use Illuminate\Support\Facades\DB;

/**
 * The shop's settings: one row.
 *
 * @property int $id
 * @property string $name
 * @property string $currency ISO 4217
 * @property bool $tax_included
 * @property bool $loading the demonstration is not loaded to its end
 * @property CarbonImmutable|null $months_closed_through the last day of the last closed month
 * @property bool $bad_debt_tax tax of what is written off is claimed back
 * @property Money $small_difference let off when a payment is posted
 * @property int $year_ends the month its year ends with
 * @property CarbonImmutable|null $years_closed_through the last day of the last closed year
 * @property string $tax_rounding
 * @property Money|null $cash_step minor units
 * @property list<Money> $notes bank notes in use
 * @property string $receipt_foot
 * @property bool $refuse_after_bounce cheques are not taken any more from whose came back
 * @property int $idle_minutes without an act, until the PIN is asked for; 0: never
 * @property bool $blind_counts clerks count a drawer without seeing what is expected
 * @property Money $note_over a drawer that is off by more wants a note
 * @property Money $witness_over off by more, two people sign
 * @property Money|null $sign_over paid by card or on account, above which the payer signs; null: nobody signs
 * @property bool $links_on papers and mails carry links to pay by
 * @property int $link_days so long they hold
 * @property bool $links_may_less less than what is asked may be paid by them
 * @property bool $takings_by_day one document for a day’s takings; else one for each sale
 * @property int $link_epoch another number, and all links before are void
 * @property bool $print_signatures whether they stand on papers
 * @property bool $see_other_locations whether clerks see slips and documents of other locations
 * @property string $country ISO 3166-1 alpha-2
 * @property string $postcode
 * @property string $tax_number
 * @property string $bank_account printed on statements
 * @property string|null $finance_percent a month; null: no finance charges
 * @property int $finance_grace_days
 * @property Money $finance_minimum minor units
 * @property Money $returned_payment_fee minor units
 * @property array{
 *     terms?: array<string, array{percent: string|null, amount: int|null}>,
 *     service_fee?: int, days?: int, grace_days?: int, rhythm?: string
 * }|null $layaway_terms null: as the program ships
 * @property array{percent?: string|null, amount?: int|null, count?: int, rhythm?: string}|null $plan_terms null: as the
 *     program ships
 * @property array{per_unit: string, threshold: int, reward: string, months: int|null}|null $rewards null: no
 *     programme
 * @property list<array{after: int, fee: string, words: string}>|null $letter_levels of reminder letters; null: as the
 *     program ships
 * @property array{plan?: list<int>, layaway?: list<int>, expiry?: list<int>}|null $reminder_days around a due date;
 *     null: as the program ships
 * @property string|null $fee_tax_class of cancellation and service fees; null: not taxed
 * @property string|null $plan_tax_class of a plan's flat charge; null: not taxed
 * @property int|null $return_policy_id where neither item nor department has one
 * @property int $blind_days how far back the lowest price is looked for
 * @property Money $largest_amount minor units; nothing larger is taken where money is typed
 * @property int|null $gift_card_months null: cards do not expire
 * @property CarbonImmutable|null $opened_at null: it is being set up
 * @property list<string>|null $set_up steps of setting up that were kept
 * @property string $paper_foot on invoices, statements and letters
 * @property string $paper_web
 * @property string|null $logo a picture as a data: address
 * @property bool $receipt_logo
 * @property bool $receipt_tax_number
 * @property bool $receipt_cashier
 * @property string $mail_name whom mails come from; empty: the shop’s name
 * @property string $mail_address
 * @property string $mail_reply_to
 * @property array<string, mixed>|null $reasons as set; null: as the program ships
 * @property array<string, int>|null $retention days by what is kept; null: as the program ships
 */
final class Shop extends Record
{
    protected $table = 'shop';

    protected $casts = [
        'cash_step' => MoneyCast::class,
        'finance_minimum' => MoneyCast::class,
        'returned_payment_fee' => MoneyCast::class,
        'largest_amount' => MoneyCast::class,
        'note_over' => MoneyCast::class,
        'witness_over' => MoneyCast::class,
        'blind_counts' => 'bool',
        'sign_over' => MoneyCast::class,
        'print_signatures' => 'bool',
        'links_on' => 'bool',
        'takings_by_day' => 'bool',
        'links_may_less' => 'bool',
        'link_days' => 'int',
        'link_epoch' => 'int',
        'refuse_after_bounce' => 'bool',
        'months_closed_through' => 'immutable_date',
        'years_closed_through' => 'immutable_date',
        'year_ends' => 'int',
        'bad_debt_tax' => 'bool',
        'small_difference' => MoneyCast::class,
        'tax_included' => 'bool',
        'loading' => 'bool',
        'idle_minutes' => 'int',
        'see_other_locations' => 'bool',
        'notes' => MoneyListCast::class,
        'opened_at' => 'immutable_datetime',
        'set_up' => 'array',
        'reasons' => 'array',
        'retention' => 'array',
        'receipt_logo' => 'bool',
        'receipt_tax_number' => 'bool',
        'receipt_cashier' => 'bool',

        'layaway_terms' => 'array',
        'plan_terms' => 'array',
        'reminder_days' => 'array',
        'letter_levels' => 'array',
        'rewards' => 'array',
    ];

    /** The next number for a customer, given out once. */
    public static function nextCustomerNumber(): int
    {
        DB::update('UPDATE shop SET last_customer_number = LAST_INSERT_ID(last_customer_number + 1)');

        return (int) DB::scalar('SELECT LAST_INSERT_ID()');
    }
}
