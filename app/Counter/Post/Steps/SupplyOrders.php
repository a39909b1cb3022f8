<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\DocumentKind;
use Elmstone\Counter\Parts\OrderPart;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Orders\Supply\SupplyOrder;
use LogicException;
use Ramsey\Uuid\Uuid;

/** Goods of orders leave, each with its invoice. */
final readonly class SupplyOrders extends Step
{
    public function __construct(private SupplyOrder $supply)
    {
    }

    public function kinds(ReckonedCounter $reckoned): array
    {
        return self::leaving($reckoned->slip) === [] ? [] : [DocumentKind::Adjustment, DocumentKind::Invoice];
    }

    public function post(SlipPosting $posting): void
    {
        $slip = $posting->slip();

        foreach (self::leaving($slip) as $part) {
            $order = $slip->orders[$part->orderId];
            $posting->handedOver[] = $this->supply->post(
                $order,
                $part->leaving,
                $posting->at(),
                $order->is_charged ? $posting->account : null,
                $posting->deposits ?? throw new LogicException('The customer’s deposits are not locked.'),
                self::key($slip, $order->id),
            );
        }
    }

    /** Of the invoice of what leaves of an order. */
    public static function key(Slip $slip, int $order): string
    {
        return Uuid::uuid5(Uuid::fromString($slip->key), "supply {$order}")->toString();
    }

    /** @return array<int, OrderPart> */
    private static function leaving(Slip $slip): array
    {
        return array_filter($slip->orderParts(), static fn (OrderPart $part): bool => ! $part->leaving->isEmpty());
    }
}
