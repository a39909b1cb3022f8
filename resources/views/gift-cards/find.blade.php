<form class="filters" method="post" action="{{ route('gift-cards.find') }}">@csrf<div>
    <label for="code">What is a card worth? Scan it or type its number</label><input class="form-control" id="code"
        name="code" inputmode="numeric" autocomplete="off" maxlength="24" autofocus></div>
    <button class="quiet-act">Look</button></form>
