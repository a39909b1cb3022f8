<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Customers\Customer;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Goods brought back at the counter. */
trait Returning
{
    use Charges;

    /**
     * On the slip that is open, or a fresh one.
     *
     * @param  array<int, string>  $quantities by position on the invoice
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function back(
        Document $invoice,
        array $quantities,
        bool $fresh = true,
        string $reason = 'not_needed',
        string $goodsTo = '',
    ): TestResponse {
        $this->slip = $fresh ? (string) Str::uuid() : $this->slip;

        return $this->does('back', [
            'back' => array_combine(
                array_map(static fn (int $position): string => "{$invoice->id}:{$position}", array_keys($quantities)),
                $quantities,
            ),
            'reason' => $reason,
            'goods_to' => $goodsTo,
            'found_by' => $invoice->label,
        ]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    protected function refund(string $way, ?string $amount = null): TestResponse
    {
        return $this->does('refund', ['way' => $way, ...$amount === null ? ['rest' => '1'] : ['amount' => $amount]]);
    }

    protected function creditNote(): Document
    {
        return Document::query()
            ->with(['lines', 'taxes', 'tenders', 'journal'])
            ->findOrFail($this->slip()->credit_note_id);
    }

    protected function backLine(): int
    {
        return ReturnOnSlip::query()->where('slip_id', $this->slip()->id)->orderByDesc('id')->firstOrFail()->id;
    }

    /** Somebody allows what the slip asks for at a place; empty: all of it.
     *
     * @param  array<string, string>|null  $approval
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function approve(string $place = '', ?array $approval = null): TestResponse
    {
        return $this->does('approve', ['place' => $place, ...$approval ?? $this->approval()]);
    }

    /** @return array<string, string> */
    protected function approval(string $reason = 'known customer'): array
    {
        return ['approver' => '201', 'approver_pin' => '4201', 'approver_reason' => $reason];
    }

    /** Sells what is given by card, and posts it. */
    protected function sellByCard(string ...$entries): Document
    {
        $this->slip = (string) Str::uuid();
        $this->add(...$entries);
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    protected function sellTo(Customer $customer, string ...$entries): Document
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add(...$entries);
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    protected function onHand(string $code): string
    {
        return rtrim(
            rtrim(
                (string) DB::table('stock')
                    ->whereIn('item_id', DB::table('items')->where('code', $code)->select('id'))
                    ->value('on_hand'),
                '0',
            ),
            '.',
        );
    }

    /**
     * @phpstan-impure
     *
     * @return array<string, int> debit less credit by account, in minor units
     */
    protected function posted(Document $document): array
    {
        return $document->journal
            ->mapWithKeys(static fn ($row): array => [$row->account => $row->debit->minor - $row->credit->minor])
            ->all();
    }
}
