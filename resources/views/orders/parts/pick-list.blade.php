@use('Brick\Math\BigDecimal')
@use('Elmstone\Support\Show')
{{-- What is to be picked here, in the order of the shelves. --}}
<div id="pick-list" data-part @change="count">
    @php
        $lines = $order->lines()->filter(fn ($line) => $line->item_id !== null
            && $order->at($line->position)->location_id === $here->id
            && $order->at($line->position)->left()->isPositive())
            ->sortBy(fn ($line) => [$line->item->shelf ?? '', $line->code]);
        $of = fn ($line) => $order->picks->firstWhere('position', $line->position)?->of($order->at($line->position))
            ?? BigDecimal::zero();
        $open = $lines->filter(fn ($line) => $order->at($line->position)->isAside()->isGreaterThan($of($line)));
    @endphp
    @if($refused !== null)<p class="pick-said refused" role="alert">{{ $refused->getMessage() }}</p>
    @elseif($picked !== null)<p class="pick-said" role="status">{{ Show::decimal($of($order->line($picked))).' of '
        .Show::decimal($order->at($picked)->isAside()) }} × {{ $order->line($picked)->description }}</p>
    @else<p class="pick-said soft">{{ $lines->isEmpty() ? 'Nothing of it leaves here.'
        : 'Gather the goods shelf by shelf; each scan counts one.' }}</p>@endif
    <table class="ruled pick-lines"><thead><tr><th>Shelf</th><th>Goods</th><th class="figure">To pick</th>
        <th class="figure">Picked</th></tr></thead><tbody>
        @foreach($lines as $line)
            @php([$progress, $now] = [$order->at($line->position), $of($line)])
            @php($full = $progress->isAside()->isEqualTo($now))
            <tr @class(['full' => $full && $now->isPositive(), 'fresh' => $picked === $line->position])>
            <td class="shelf">{{ $line->item->shelf ?? '' }}</td>
            <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                @php($serials = $order->picks->firstWhere('position', $line->position)?->serials ?? [])
                @if($line->item->has_serials)<input class="form-control form-control-sm code mt-1"
                    id="plates-{{ $line->position }}" autocomplete="off" placeholder="serial numbers, as on the plates"
                        data-counts="{{ route('orders.pick.count', [$order, $line->position]) }}"
                            aria-label="Serial numbers of {{ $line->description }}"
                                value="{{ implode(', ', $serials) }}">@endif
                @if($progress->isAside()->isLessThan($progress->left()))<div class="small ochre">{{
                    Show::decimal($progress->left()->minus($progress->isAside())) }} more wait for goods
                    </div>@endif</td>
            <td class="figure">{{ Show::decimal($progress->isAside()) }}</td>
            <td class="figure">@if($line->item->has_serials)<b>{{ Show::decimal($now) }}</b>@else<input
                class="form-control text-end w-5" id="pick-{{ $line->position }}" inputmode="decimal"
                    autocomplete="off" data-counts="{{ route('orders.pick.count', [$order, $line->position]) }}"
                        aria-label="Picked of {{ $line->description }}" placeholder="0"
                            value="{{ $now->isZero() ? '' : Show::decimal($now) }}">@endif</td></tr>
        @endforeach
    </tbody></table>
    @if($lines->isNotEmpty())
    <form method="post" action="{{ route('orders.pick.finish', $order) }}" class="mt-3">@csrf
        <button class="{{ $open->isEmpty() ? 'main-act narrow' : 'quiet-act' }}" @disabled($order->picks->isEmpty())>{{
            $open->isEmpty() ? 'All picked: print the label' : 'Finish short' }}</button>
        @if($open->isNotEmpty())<span class="small soft">What is not found waits again.</span>@endif</form>
    @endif
</div>
