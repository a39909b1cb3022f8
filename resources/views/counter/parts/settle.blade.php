@php($money = \Elmstone\Foundation\Show::money(...))
<section class="settle" id="settle" data-part aria-label="Settle">
    <div id="slip-state" data-version="{{ $slip->version }}"></div>
    <h2 class="band-name">Settle</h2>
    <div class="due {{ strlen($money($reckoned->sums->total)) > 10 ? 'long' : '' }}">
        <span class="sum" id="total">{{ $money($reckoned->sums->total) }}</span>
        <span class="beside">{{ $house->currency()->code }}<br>{{ \Elmstone\Foundation\Show::date($slip->isPosted() ? $slip->document->business_date : $slip->day()) }}</span>
    </div>
    {!! \Elmstone\Counter\SettlementBar::svg($reckoned, $house) !!}
    @if($slip->isPosted())
        @include('counter.parts.posted')
    @else
        @include('counter.parts.ways')
    @endif
</section>
