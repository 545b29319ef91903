## Practice on the ground.

practise-path = Sie bemerken { $angle } neben dem Gleitweg: eine halbe Meile vorher sind das { $off }. Aus { $pictures } Bildern.
practise-path_flown_high = Was Ihnen richtig aussieht, liegt { $angle } über dem Gleitweg: Sie würden hier zu hoch fliegen.
practise-path_flown_low = Was Ihnen richtig aussieht, liegt { $angle } unter dem Gleitweg: Sie würden hier zu tief fliegen. Gas, und noch einmal schauen.
practise-roundout = Sie lagen im Mittel { $height } in der Höhe und { $late } in der Zeit daneben.
practise-roundout_high = Meist zu früh: im Mittel { $height } zu hoch, und von dort durchgesackt.
practise-roundout_late = Meist um { $late } zu spät: beginnen Sie an der Marke der Bemalung, einen Strich früher.
