@use('Elmstone\Counter\Parts\Money\OrderPayments')
@use('Elmstone\Support\Show')
{{-- Orders whose goods leave with the slip, or that something is paid on. --}}
<div class="paid-on" id="orders" data-part>
    @php $parts = $slip->orderParts(); @endphp
    @foreach($parts as $part)
        @php
            $order = $slip->orders[$part->orderId];
            $at = "order.{$order->id}";
            $route = fn (string $act, mixed ...$more): string =>
                route("counter.supply.{$act}", [$slip->key, $order, ...$more]);
            $refused = $slip->isDone() ? null : app(OrderPayments::class)->refused($slip, $part);
            $total = $slip->isDone() ? null : app(OrderPayments::class)->total($slip, $part);
        @endphp
        <table class="slip-lines">
            <thead><tr><th><a href="{{ route('orders.show', $order) }}">{{ $order->label }}</a>
                {{ $order->wanted_on === null ? '' : 'wanted '.Show::date($order->wanted_on) }}{{ $order->shelf === ''
                    ? '' : " · stands on {$order->shelf}" }}</th>
            <th class="figure">ordered</th><th class="figure">left</th><th class="figure each">leaves now</th></tr>
            </thead>
            <tbody>
            @foreach($order->lines()->reject(fn ($line) => $line->isFreight()) as $line)
                @php($progress = $order->at($line->position))
                @php($now = $part->leaving->quantities[$line->position] ?? null)
                @if($slip->isDone() ? $now !== null : ! $progress->left()->isZero())
                <tr @class(['line', 'complained' => $complaint->within("{$at}.line.{$line->position}")])>
                    <td class="words">{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                        @unless($slip->isDone())<div class="under">{{ $progress->item_id === null ? ''
                            : Show::decimal($progress->isAside()).' set aside' }}{{ $progress->location_id
                                === $slip->location_id ? '' : ', leaves elsewhere' }}</div>@endunless
                        @if(! $slip->isDone() && $now !== null && $line->item?->has_serials)
                            <div class="under d-flex gap-2 align-items-center mt-1">
                            <label for="ord{{ $order->id }}-s{{ $line->position }}">Serial numbers</label>
                                <input class="form-control" id="ord{{ $order->id }}-s{{ $line->position }}"
                                    name="serials" data-takes-scan autocomplete="off"
                                        placeholder="scan or type the plate"
                                            data-save="{{ $route('serials', $line->position) }}"
                                                value="{{ $complaint->typedOr("{$at}.serials.{$line->position}",
                                                    implode(', ', $part->leaving->serials[$line->position] ?? [])) }}">
                            </div>
                            @if($complaint->on("{$at}.serials.{$line->position}"))
                            <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                        @endif
                        @if($complaint->on("{$at}.line.{$line->position}"))
                        <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif</td>
                    <td class="figure soft">{{ Show::decimal($line->quantity) }}</td>
                    <td class="figure">{{ $slip->isDone() ? '' : Show::decimal($progress->left()) }}</td>
                    <td class="figure">@if($slip->isDone())<span class="fixed">{{ Show::decimal($now) }}</span>
                        @else<input class="cell first" id="ord{{ $order->id }}-{{ $line->position }}" name="quantity"
                            inputmode="decimal" autocomplete="off"
                                aria-label="How many of {{ $line->description }} leave"
                                data-save="{{ $route('quantity', $line->position) }}" placeholder="0"
                                    value="{{ $complaint->typedOr("{$at}.line.{$line->position}",
                                        $now === null ? '' : Show::decimal($now)) }}">@endif</td>
                </tr>
                @endif
            @endforeach
            </tbody>
            @unless($slip->isDone())
            <tfoot><tr><td class="words">
                @if($total?->isPositive())What leaves comes to {{ $total }}{{ $order->held()->isPositive()
                    ? ', paid before '.Show::money($order->held()) : '' }}{{ $order->is_charged
                        ? ', the rest is charged to the account' : '' }}.@else Nothing leaves now.@endif
                <button type="button" class="link-act small" data-sends="{{ $route('drop') }}">Not now</button>
                @if($refused !== null)<p class="complaint" role="alert">{{ $refused->getMessage() }}</p>@endif
                @if($complaint->on($at) && $complaint->message() !== $refused?->getMessage())
                <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                @include('counter.parts.needs', ['place' => $at, 'quiet' => false])</td>
                <td colspan="2" class="figure"><label for="ord{{ $order->id }}">pays on it now</label></td>
                <td class="figure"><input class="cell" id="ord{{ $order->id }}" name="amount" inputmode="decimal"
                    autocomplete="off" data-save="{{ $route('amount') }}" placeholder="–"
                        value="{{ $complaint->typedOr($at, $part->amount->isZero() ? ''
                            : $part->amount->toString()) }}"></td></tr></tfoot>
            @endunless
        </table>
    @endforeach
</div>
