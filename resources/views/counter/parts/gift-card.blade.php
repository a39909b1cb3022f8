<form id="gift-card" class="mt-2 p-2 border rounded" method="post"
    action="{{ route('counter.gift-card.sell', $target) }}" data-act data-closes="gift-card" @panel hidden>
    <div class="row g-2 align-items-end">
        <div class="col-3">
        <label for="gift-worth" class="small soft">Gift card: worth</label><input class="form-control text-end"
            id="gift-worth" name="worth" inputmode="decimal" autocomplete="off"></div>
        <div class="col-6">
        <label for="gift-code" class="small soft">Number on the card; empty: one is drawn</label><input
            class="form-control" id="gift-code" name="code" data-takes-scan inputmode="numeric"
                autocomplete="off" maxlength="24"></div>
        <div class="col-3 text-end"><button class="quiet-act">Sell or top up</button></div>
    </div>
    @include('counter.parts.gift-card-said')
</form>
<form id="coupon-form" class="mt-2 p-2 border rounded" method="post" action="{{ route('counter.coupon', $target) }}"
    data-act data-closes="coupon-form" @panel hidden>
    <div class="row g-2 align-items-end">
        <div class="col-6">
        <label for="coupon" class="small soft">Coupon’s code</label><input class="form-control" id="coupon"
            name="coupon" data-takes-scan autocomplete="off" maxlength="40"></div>
        <div class="col-6 text-end"><button class="quiet-act">Take it off</button></div>
    </div>
    @include('counter.parts.coupon-said')
    <div id="coupons-fit" data-find="{{ route('counter.look.coupons', $target) }}" x-data="fetched"
        @flip-panel.window="flip"></div>
</form>
