<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\StandIn;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\Address\InboxController;
use Elmstone\WebOrders\Address\KnowSender;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\WebOrder;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A web shop that is played: it sends orders to the address as a stranger would, with a token of its own. */
final readonly class WebShop
{
    private const CODE = 'PLAYED';

    public function __construct(
        private ComposeOrder $compose,
        private KnowSender $door,
        private InboxController $inbox,
        private ReceiveWebOrder $receive,
    ) {
    }

    /**
     * @param  non-empty-list<array{Item, Quantity}>  $goods
     * @return Response what the address answered
     *
     * @throws Refused nothing_sent
     */
    public function place(
        Customer $customer,
        array $goods,
        bool $isBrought,
        WebShopMood $mood,
        Till $till,
        Staff $by,
    ): Response {
        $sender = $this->sender($till, $by);
        $last = WebOrder::query()->where('sender_id', $sender->id)->orderByDesc('id')->first();
        $number = match ($mood) {
            WebShopMood::SameNumber, WebShopMood::Again => $last->number
                ?? throw Refused::because('nothing_sent', 'It has sent nothing yet.'),
            default => sprintf('W-%05d', ($last->id ?? 0) + 1),
        };
        $xml = $mood === WebShopMood::Again && $last !== null
            ? $last->xml
            : $this->compose->of($number, $customer, $goods, $isBrought, $mood);

        return $this->send($xml, $mood === WebShopMood::WrongToken ? 'guessed' : $sender->renewToken());
    }

    private function send(string $xml, string $token): Response
    {
        $request = Request::create('/web/orders', 'POST', [], [], [], [
            'HTTP_AUTHORIZATION' => "Bearer {$token}", 'CONTENT_TYPE' => 'application/xml',
        ], $xml);

        return $this->door->handle(
            $request,
            fn (Request $known): Response => $this->inbox->store($known, $this->receive),
        );
    }

    private function sender(Till $till, Staff $by): Sender
    {
        return Sender::query()->firstOrCreate(['code' => self::CODE], [
            'name' => 'Web shop (played)',
            'location_id' => $till->location_id,
            'staff_id' => $by->id,
            'way' => 'parcel',
            'token_hash' => null,
            'token_end' => '', 'customer_id' => null,
            'active' => true,
        ]);
    }
}
