<nav class="sub" aria-label="Orders and purchases">
    <a href="{{ route('orders') }}" @if(request()->routeIs('orders*') && ! request()->routeIs('orders.terms*'))
        aria-current="page" @endif>Orders</a>
    <a href="{{ route('web-orders') }}" @if(request()->routeIs('web-orders*')) aria-current="page"
        @endif>From the web @if(($toLookAt ?? 0) > 0)<span class="ochre fw-bold">{{ $toLookAt }}</span>@endif</a>
    <a href="{{ route('quotes') }}" @if(request()->routeIs('quotes*')) aria-current="page" @endif>Quotes</a>
    <a href="{{ route('deliveries') }}" @if(request()->routeIs('deliveries*', 'vehicles*')) aria-current="page"
        @endif>Deliveries</a>
    @can('buy-goods')<a href="{{ route('to-buy') }}" @if(request()->routeIs('to-buy*')) aria-current="page"
        @endif>To buy</a>@endcan
    <a href="{{ route('purchases') }}" @if(request()->routeIs('purchases*')) aria-current="page"
        @endif>Purchases</a>
    @can('receive-goods')<a href="{{ route('transfers') }}" @if(request()->routeIs('transfers*')) aria-current="page"
        @endif>Transfers</a>@endcan
    @can('buy-goods')<a href="{{ route('suppliers') }}" @if(request()->routeIs('suppliers*')) aria-current="page"
        @endif>Suppliers</a>@endcan
    @can('set-house-terms')<a href="{{ route('orders.terms') }}" @if(request()->routeIs('orders.terms*'))
        aria-current="page" @endif>Terms</a>@endcan
</nav>
