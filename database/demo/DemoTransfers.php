<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Purchasing\Transfers\CountedIn;
use Elmstone\Purchasing\Transfers\CountTransferIn;
use Elmstone\Purchasing\Transfers\SendGoods;
use Elmstone\Purchasing\Transfers\SentLine;
use Elmstone\Purchasing\Transfers\Transfer;
use Elmstone\Purchasing\Transfers\TransferLine;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;

/** Goods between the locations of the demonstration shop. */
final class DemoTransfers
{
    public function __construct(
        private readonly DemoClerk $clerk,
        private readonly SendGoods $send,
        private readonly CountTransferIn $count,
    ) {
    }

    /**
     * From the first location to the second.
     *
     * @param  array<string, string>  $goods quantities by code
     */
    public function sends(string $name, array $goods, ?CarbonImmutable $expected = null): int
    {
        $lines = [];

        foreach ($goods as $code => $quantity) {
            $lines[] = new SentLine(Item::query()->where('code', $code)->firstOrFail(), Quantity::of($quantity));
        }

        return $this->send->handle(
            $this->otherPlace(),
            $lines,
            $expected,
            'On the Tuesday lorry',
            $this->clerk->till(1),
            $this->clerk->staff('104'),
            $this->clerk->key("transfer {$name}"),
        )->id;
    }

    /** @param  string  $missing of the first line */
    public function arrives(int $id, string $missing = '0'): void
    {
        $transfer = Transfer::query()->with('lines')->findOrFail($id);
        $this->count->handle(
            $transfer,
            $transfer->version,
            array_values($transfer->lines->map(static fn (TransferLine $line): CountedIn => new CountedIn(
                $line->position,
                $line->toCome()->minus($line->position === 1 ? $missing : '0'),
                BigDecimal::of($line->position === 1 ? $missing : '0'),
            ))->all()),
            $missing === '0' ? '' : 'broken when they were unloaded',
            $this->otherTill(),
            $this->clerk->staff('201'),
            $this->clerk->key("transfer {$id} counted"),
        );
    }

    private function otherTill(): Till
    {
        return Till::query()
            ->with('location.taxProfile.components')
            ->where('location_id', $this->otherPlace()->id)
            ->orderBy('number')
            ->firstOrFail();
    }

    private function otherPlace(): Location
    {
        return Location::query()->whereKeyNot($this->clerk->till(1)->location_id)->orderBy('id')->firstOrFail();
    }
}
