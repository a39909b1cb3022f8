<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Customers\Customer;
use Elmstone\WebOrders\DecideWebOrder;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\StandIn\ComposeOrder;
use Elmstone\WebOrders\StandIn\WebShopMood;

/** A web shop of the demonstration, and what it sent: taken, to look at, refused. All made up. */
final class DemoWeb
{
    private ?Sender $sender = null;

    private int $number = 40210;

    public function __construct(
        private readonly DemoClerk $clerk,
        private readonly ComposeOrder $compose,
        private readonly ReceiveWebOrder $receive,
        private readonly DecideWebOrder $decide,
    ) {
    }

    /** @param  array<string, string>  $goods quantities by code */
    public function sends(
        Customer $customer,
        array $goods,
        bool $isBrought,
        WebShopMood $mood = WebShopMood::Right,
    ): int {
        $lines = [];

        foreach ($goods as $code => $quantity) {
            $lines[] = [Item::query()->where('code', $code)->firstOrFail(), Quantity::of($quantity)];
        }

        return $lines === [] ? 0 : $this->receive->handle(
            $this->sender(),
            $this->compose->of('S'.++$this->number, $customer, $lines, $isBrought, $mood),
            'address',
        )->id;
    }

    public function refused(int $id, string $why): void
    {
        $this->decide->refuse($id, 1, $why, $this->clerk->staff('201'));
    }

    private function sender(): Sender
    {
        return $this->sender ??= Sender::query()->create([
            'code' => 'WEBSHOP',
            'name' => 'Our web shop',
            'location_id' => $this->clerk->till(1)->location_id,
            'staff_id' => $this->clerk->staff('301')->id,
            'way' => 'parcel',
            'token_hash' => null,
            'token_end' => '', 'customer_id' => null,
            'active' => true,
        ])->load(['location.taxProfile.components', 'staff']);
    }
}
