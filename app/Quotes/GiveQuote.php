<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Agreements\AgreedLines;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;

/** Gives a quote, or changes one: its lines as another revision. Inside a transaction, a quote that changes locked. */
final class GiveQuote
{
    public function __construct(private readonly AgreedLines $lines)
    {
    }

    /** @throws Refused valid_past, follow_up_late, empty */
    public static function assertFine(NewQuote $quote): void
    {
        match (true) {
            $quote->lines === [] => throw Refused::because('empty', 'There is nothing on this quote.'),
            $quote->validUntil < $quote->day => throw Refused::because(
                'valid_past',
                'Its prices would hold until '.Show::date($quote->validUntil).', which is past.',
            ),
            $quote->followUpOn !== null && $quote->followUpOn < $quote->day => throw Refused::because(
                'follow_up_past',
                'The day to ask after it is past.',
            ),
            default => null,
        };
    }

    /** @throws Refused valid_past, follow_up_past, empty, not_open */
    public function handle(NewQuote $new, Staff $by): Quote
    {
        self::assertFine($new);

        return $new->revises === null ? $this->give($new) : $this->revise(Quote::lock($new->revises), $new, $by);
    }

    private function give(NewQuote $new): Quote
    {
        $quote = Quote::query()->create([
            'key' => $new->key,
            'location_id' => $new->locationId,
            'staff_id' => $new->staffId,
            'state' => QuoteState::Open,
            'made_on' => $new->day,
            'account_id' => null,
            'revision' => 1,
            'version' => 1,
            'shelf' => '',
            'document_id' => null,
            'ended_on' => null,
            'ended_why' => '',
            'signature' => null,
            'signed_by' => '',
            'signed_at' => null,
            ...self::columns($new),
        ]);
        $this->lines->put($quote, $new->lines);

        return $quote;
    }

    private function revise(Quote $quote, NewQuote $new, Staff $by): Quote
    {
        $quote->isOpen() || throw Refused::because('not_open', "{$quote->label} is {$quote->state->value} already.");
        $before = $quote->total;
        $quote
            ->forceFill([
                ...self::columns($new),
                'revision' => $quote->revision + 1,
                'version' => $quote->version + 1,
            ])
            ->save();
        $this->lines->put($quote, $new->lines);
        AgreementChange::query()->create([
            'agreement_id' => $quote->id,
            'staff_id' => $by->id,
            'what' => "Revision {$quote->revision}",
            'total_before' => $before,
            'total_after' => $quote->total,
            'revision' => $quote->revision,
            'made_at' => now(),
        ]);

        return $quote;
    }

    /** @return array<string, mixed> */
    private static function columns(NewQuote $new): array
    {
        return [
            'customer_id' => $new->customerId,
            'tax' => $new->tax->toJson(),
            'discount_percent' => $new->discount?->percent?->toString(),
            'discount_amount' => $new->discount?->amount,
            'total' => $new->total,
            'valid_until' => $new->validUntil,
            'follow_up_on' => $new->followUpOn,
            'party' => mb_substr($new->party, 0, 120),
            'note' => mb_substr($new->note, 0, 255),
            'buyer' => $new->buyer,
            'purchase_order' => $new->purchaseOrder,
            'job' => $new->job,
        ];
    }
}
