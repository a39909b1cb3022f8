<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Books\Document;
use Elmstone\Books\GoodsTo;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Post\PostedSale;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;

/**
 * A credit note without goods: a price was wrong, or something is made up for. On lines of an invoice, or free. It goes
 * through a slip of its own, so that money and tax are worked out and posted as for goods that come back; what hinders
 * it leaves nothing behind and is said where it was typed.
 */
final class GiveCredit
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly PutCustomer $put,
        private readonly PostSale $post,
        private readonly ApproveNeeds $approve,
        private readonly House $house,
    ) {
    }

    /**
     * @param  string  $key of the slip
     * @param  array<int, Money>  $amounts by position on the invoice, tax in it
     * @param  TenderKind  $way where it goes: to the account, store credit, or onto a gift card
     * @return int the credit note's document id
     *
     * @throws Refused bad_amount, more_than_paid, not_that_way, reason_missing, approval_missing
     */
    public function onInvoice(
        string $key,
        Act $act,
        Document $invoice,
        array $amounts,
        ReturnReason $reason,
        string $note,
        TenderKind $way,
        bool $oldest,
    ): int {
        $amounts = array_filter($amounts, static fn (Money $amount): bool => ! $amount->isZero());

        if ($amounts === []) {
            throw Refused::because('bad_amount', 'Type what is credited, next to the line.');
        }

        return $this->give(
            $key,
            $act,
            $invoice->customer_id === null ? null : Customer::query()->findOrFail($invoice->customer_id),
            $way,
            $oldest,
            static function (Slip $slip) use ($invoice, $amounts, $reason, $note): void {
                foreach ($invoice->lines->whereIn('position', array_keys($amounts))->values() as $i => $line) {
                    ReturnOnSlip::query()->create([
                        'slip_id' => $slip->id,
                        'position' => $i + 1,
                        'origin_document_id' => $invoice->id,
                        'origin_position' => $line->position,
                        'item_id' => $line->item_id,
                        'code' => $line->code,
                        'description' => $line->description,
                        'department_id' => $line->department_id,
                        'quantity' => '1',
                        'unit' => 'each',
                        'unit_price' => $amounts[$line->position]->toString(),
                        'price_per' => 1,
                        'price_rule' => PriceRule::Typed,
                        'list_price' => $line->list_price,
                        'tax_class' => $line->tax_class,
                        'reason' => $reason,
                        'goods_to' => GoodsTo::None,
                        'note' => mb_substr($note, 0, 255),
                    ]);
                }
            },
        );
    }

    /**
     * @param  int|null  $department whose sales it lowers; null: goodwill
     * @param  string|null  $taxClass null: no tax in it
     * @return int the credit note's document id
     *
     * @throws Refused bad_amount, no_customer, reason_missing, approval_missing
     */
    public function free(
        string $key,
        Act $act,
        Customer $customer,
        Money $amount,
        ?int $department,
        ?string $taxClass,
        string $words,
        TenderKind $way,
        bool $oldest,
    ): int {
        match (true) {
            ! $amount->isPositive() => throw Refused::because('bad_amount', 'A credit is more than nothing.'),
            trim($words) === '' => throw Refused::because(
                'reason_missing',
                'Say what it is for: it stands on the credit note.',
            ),
            default => null,
        };

        return $this->give($key, $act, $customer, $way, $oldest, static function (Slip $slip) use (
            $amount,
            $department,
            $taxClass,
            $words,
        ): void {
            ReturnOnSlip::query()->create([
                'slip_id' => $slip->id,
                'position' => 1,
                'code' => 'credit',
                'description' => mb_substr(trim($words), 0, 160),
                'department_id' => $department,
                'quantity' => '1',
                'unit' => 'each',
                'unit_price' => $amount->toString(),
                'price_per' => 1,
                'price_rule' => PriceRule::Typed,
                'list_price' => $amount->toString(),
                'tax_class' => $taxClass ?? FeeDraft::UNTAXED,
                'reason' => ReturnReason::Goodwill,
                'goods_to' => GoodsTo::None,
            ]);
        });
    }

    /** @param  callable(Slip): void  $lines */
    private function give(
        string $key,
        Act $act,
        ?Customer $customer,
        TenderKind $way,
        bool $oldest,
        callable $lines,
    ): int {
        $before = Slip::query()->where('key', $key)->where('state', SlipState::Posted)->value('credit_note_id');

        if (is_int($before)) {
            return $before;
        }

        // Put on the slip, allowed and posted in one transaction: what is refused leaves no trace, and the corrected
        // one begins anew.
        $posted = DB::transaction(function () use ($key, $act, $customer, $way, $oldest, $lines): PostedSale {
            $slip = $this->desk->change($key, $act, function (Slip $slip) use (
                $act,
                $customer,
                $way,
                $oldest,
                $lines,
            ): void {
                $act->given();
                $this->put->place($slip, $customer);
                $lines($slip);
                $slip
                    ->forceFill([
                        'back' => [],
                        'credit_to' => $oldest ? 'oldest' : 'unused',
                        'paper' => PaperWay::Print,
                    ])
                    ->save();
                $this->desk->redraw($slip, $act);
                $left = ReckonedCounter::of($slip, $this->house)->refund?->left();
                $left?->isPositive() === true && $slip->forceFill(['back' => [$way->value => $left]])->save();
                $this->approve->within($slip, $act, null);
            });

            return $this->post->handle($key, new Act((string) Str::uuid(), $act->by, $act->till, $slip->version));
        });

        return $posted->documentId ?? throw new LogicException('A credit note is a document.');
    }
}
