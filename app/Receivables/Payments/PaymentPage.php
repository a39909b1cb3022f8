<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Core\Receivables\Spread;
use Elmstone\Core\Receivables\Suggestion;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Shop\House;

/** A payment beside the open items it may meet: how it would be spread, and what else there is to choose. */
final readonly class PaymentPage
{
    /**
     * @param  list<string>  $named items that the reference names
     * @param  string  $complaint why what was typed beside the items cannot be
     */
    private function __construct(
        public AccountItems $items,
        public PaymentForm $form,
        public Money $amount,
        public Spread $spread,
        public Suggestion $suggestion,
        public array $named,
        public string $complaint,
        public string $how,
    ) {
    }

    /** @param  Money|null  $amount what there is to spread, where it is a credit that stands already */
    public static function of(
        int $customer,
        PaymentForm $form,
        House $house,
        ?AccountItems $items = null,
        ?Money $amount = null,
    ): self {
        $items ??= AccountItems::open($customer, ItemKind::Charge, $house, $form->day);
        $items = $form->leavesDiscount ? $items->withoutDiscounts() : $items;
        $amount ??= $form->amount ?? $house->money(0);
        $suggestion = Suggestion::for($amount, $items->values());
        $named = Remittance::named($form->reference, $items->records);
        [$spread, $complaint] = self::spread($items, $form, $amount, $suggestion, $named, $house);

        return new self($items, $form, $amount, $spread, $suggestion, $named, $complaint, $form->spread);
    }

    /**
     * @param  list<string>  $named
     * @return array{Spread, string}
     */
    private static function spread(
        AccountItems $items,
        PaymentForm $form,
        Money $amount,
        Suggestion $suggestion,
        array $named,
        House $house,
    ): array {
        try {
            return [
                $items->spread(
                    $amount,
                    match (true) {
                        $form->spread === 'hand' => $form->byHand($house),
                        $form->spread === 'named' => self::whole($items, $named, $amount),
                        str_starts_with($form->spread, 'set-') => self::whole(
                            $items,
                            $suggestion->matches[(int) substr($form->spread, 4) - 1] ?? [],
                            $amount,
                        ),
                        default => null,
                    },
                ),
                '',
            ];
        } catch (Refused $refused) {
            return [$items->spread($house->money(0), []), $refused->getMessage()];
        }
    }

    /**
     * These items paid off, as far as the money goes.
     *
     * @param  list<string>  $labels
     * @return array<string, Money>
     */
    private static function whole(AccountItems $items, array $labels, Money $amount): array
    {
        $wanted = array_values(
            array_filter($items->values(), static fn (OpenItem $item): bool => in_array($item->id, $labels, true)),
        );
        $shares = [];

        foreach (Spread::oldestFirst($amount, $wanted)->shares as $share) {
            $shares[$share->id] = $share->amount;
        }

        return $shares;
    }

    /** What the items named come to. */
    public function namedTotal(): Money
    {
        return Money::sum(
            array_map(
                static fn (OpenItem $item): Money => $item->open->minus($item->discount),
                array_filter(
                    $this->items->values(),
                    fn (OpenItem $item): bool => in_array($item->id, $this->named, true),
                ),
            ),
            $this->amount->currency,
        );
    }

    /** @return array<string, Money> what is meant to go on which item */
    public function parts(): array
    {
        $parts = [];

        foreach ($this->spread->shares as $share) {
            $parts[$share->id] = $share->amount;
        }

        return $parts;
    }

    /** What is late on the day of the payment once it is posted. */
    public function lateAfter(): Money
    {
        $late = Money::zero($this->amount->currency);

        foreach ($this->items->values() as $item) {
            $settled = $this->spread->on($item->id)?->settles() ?? Money::zero($late->currency);
            $late = $item->daysLate($this->form->day) > 0 ? $late->plus($item->open->minus($settled)) : $late;
        }

        return $late;
    }
}
