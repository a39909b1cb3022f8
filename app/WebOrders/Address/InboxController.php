<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Address;

use Elmstone\Core\Money\Refused;
use Elmstone\WebOrders\Despatches;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\Ubl\WriteDespatch;
use Elmstone\WebOrders\Ubl\WriteResponse;
use Elmstone\WebOrders\WebOrder;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use LogicException;

/**
 * The address for web shops: an order comes in as UBL and is answered with its order response; the same again is
 * answered the same. What cannot be read at all is refused in words, and nothing of it is kept. docs/web-orders.md.
 */
final readonly class InboxController
{
    private const STATUS = [
        'too_large' => 413, 'too_many_lines' => 413, 'sent_before' => 409, 'not_xml' => 400, 'document_type' => 400,
    ];

    public function __construct(private WriteResponse $response, private WriteDespatch $despatch)
    {
    }

    public function store(Request $request, ReceiveWebOrder $receive): Response
    {
        try {
            $web = $receive->handle(self::sender($request), $request->getContent(), 'address');
        } catch (Refused $refused) {
            return self::says($refused->getMessage(), self::STATUS[$refused->rule] ?? 422);
        }

        return self::xml($this->response->of($web), $web->isToLookAt() ? 202 : 200);
    }

    public function show(Request $request, string $number): Response
    {
        $web = self::find($request, $number);

        return $web === null ? self::unknown($number) : self::xml($this->response->of($web));
    }

    /** What left, one after the other from 1. */
    public function despatch(Request $request, string $number, int $at): Response
    {
        $web = self::find($request, $number);
        $document = $web === null ? null : Despatches::of($web)->get($at - 1);

        return match (true) {
            $web === null => self::unknown($number),
            $document === null => self::says("Nothing more has left for order {$number} yet.", 404),
            default => self::xml($this->despatch->of($web, $document)),
        };
    }

    private static function sender(Request $request): Sender
    {
        $sender = $request->attributes->get('sender');

        return $sender instanceof Sender ? $sender : throw new LogicException('Nobody sends this.');
    }

    private static function find(Request $request, string $number): ?WebOrder
    {
        return WebOrder::query()
            ->where('sender_id', self::sender($request)->id)
            ->where('number', $number)
            ->first();
    }

    private static function unknown(string $number): Response
    {
        return self::says("No order came under the number {$number}.", 404);
    }

    private static function xml(string $xml, int $status = 200): Response
    {
        return new Response($xml, $status, ['Content-Type' => 'application/xml; charset=utf-8']);
    }

    private static function says(string $words, int $status): Response
    {
        return new Response("{$words}\n", $status, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
